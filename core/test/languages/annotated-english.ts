/**
 * What made-up people say of their work, their street and their library, rich in words that are noun as well as verb or adjective:
 * written before English was read without a tagger. Notation as in `ANNOTATED`.
 */
export const ENGLISH_ANNOTATED = `
The driver/n waited/v:wait at the dark/a corner/n until the last bus/n came/v:come.
I walk/v home along the canal/n, and the walk/n takes/v:take an hour/n.
They cut/v the service/n in spring/n, and the cut/n hurt/v us most.
My shift/n starts/v:start before the first train/n runs/v:run.
We shift/v the pallets/n:pallet by hand/n, and then someone drives/v:drive the truck/n away.
Nobody trusts/v:trust the timetable/n, but people trust/v their drivers/n:driver.
The cold/n gets/v:get into your bones/n:bone; a cold/a bench/n makes/v:make it worse.
Workers/n:worker need/v a warm/a shelter/n, a clean/a toilet/n and a light/n that works/v:work.
The council/n promised/v:promise better lights/n:light, and they light/v the path/n now.
Our neighbours/n:neighbour complain/v about the noise/n, and their complaints/n:complaint reach/v the mayor/n.
She watches/v:watch the screen/n and counts/v:count the minutes/n:minute.
Her watch/n stopped/v:stop, so she asked/v:ask a stranger/n.
The stop/n near the church/n has no roof/n, and buses/n:bus rarely stop/v there.
I love/v the quiet/n of the night/n, though a quiet/a street/n can scare/v you.
Students/n:student study/v in the reading/n room/n because the study/n at home/n is full of boxes/n:box.
The librarian/n recommends/v:recommend novels/n:novel and lends/v:lend records/n:record.
They record/v every visit/n, and tourists/n:tourist visit/v the tower/n.
His answer/n surprised/v:surprise me: he answers/v:answer letters/n:letter by hand/n.
Prices/n:price rise/v each winter/n, and the rise/n eats/v:eat my wage/n.
We plant/v trees/n:tree behind the plant/n where my father/n worked/v:work.
Old/a men/n:man play/v chess/n in the park/n; the play/n ends/v:end at dusk/n.
The guard/n checks/v:check tickets/n:ticket, but the checks/n:check annoy/v tired/a passengers/n:passenger.
A plain/a meal/n costs/v:cost more than a ticket/n, and those costs/n:cost add/v up.
Mothers/n:mother worry/v about sleep/n, and children/n:child sleep/v badly beside the depot/n.
Rain/n falls/v:fall on the market/n, and traders/n:trader cover/v their stalls/n:stall.
The cover/n leaks/v:leak, so water/n drips/v:drip on the bread/n.
I rent/v a small/a flat/n; the rent/n doubled/v:double within five years/n:year.
Nurses/n:nurse report/v attacks/n:attack, and the report/n names/v:name three stations/n:station.
The engine/n sounds/v:sound rough/a, and the sound/n wakes/v:wake the baby/n.
Customers/n:customer order/v coffee/n and change/v their order/n twice.
A change/n in the law/n helped/v:help cleaners/n:cleaner, but help/n came/v:come late.
Volunteers/n:volunteer run/v the kitchen/n; a good/a run/n of weeks/n:week gave/v:give us hope/n.
We hope/v for peace/n, and we fear/v the dark/n.
Fear/n keeps/v:keep women/n:woman from the bridge/n.
The smell/n of diesel/n fills/v:fill the yard/n, and my clothes/n smell/v of smoke/n.
Builders/n:builder use/v the lift/n, and the use/n of ladders/n:ladder dropped/v:drop.
Please lift/v the box/n and point/v the lamp/n at the wall/n.
The point/n is that young/a people/n leave/v the village/n.
After her leave/n she returned/v:return to the ward/n.
Fishermen/n:fisherman dry/v nets/n:net on dry/a days/n:day.
The mayor/n plans/v:plan a tram/n, and his plans/n:plan please/v nobody here.
Locals/n:local call/v it a waste/n; they waste/v no words/n:word.
The phone/n call/n woke/v:wake my husband/n.
Drivers/n:driver brake/v hard near the school/n, and the brakes/n:brake squeal/v.
A long/a wait/n empties/v:empty the platform/n; empty/a seats/n:seat mean/v lost/a money/n.
The mean/a boss/n fines/v:fine us, and the fines/n:fine feel/v unfair/a.
`;
