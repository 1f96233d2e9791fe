/**
 * Words in sentences with what they should become: {word|lemma}, and phrases with how they should be called: [phrase|label],
 * each as people say them. Written before it was tried what they become.
 */
export const WORDS_IN_SENTENCES = `
The {buses|bus} were late and the {drivers|driver} were {tired|tired}.
Her {children|child} {slept|sleep} through the {storms|storm}.
We {caught|catch} the last {ferries|ferry} of the week.
The {women|woman} at the {bakeries|bakery} {knew|know} everybody.
He {bought|buy} two {loaves|loaf} and some {potatoes|potato}.
The {wives|wife} of the fishermen {wrote|write} {letters|letter}.
My {feet|foot} {hurt|hurt} and my {teeth|tooth} were chattering.
There were {mice|mouse} under the {shelves|shelf}.
The {knives|knife} were {kept|keep} in {boxes|box}.
The {churches|church} and the {pubs|pub} {closed|close} early.
{Photos|photo} of the {cities|city} were on the {walls|wall}.
They {carried|carry} the {keys|key} in their {pockets|pocket}.
She {studied|study} {languages|language} and {taught|teach} them.
He {stopped|stop} the {engine|engine} and {walked|walk} home.
The {meetings|meeting} were in old {buildings|building}.
The {lighting|lighting} in the {stairwell|stairwell} was broken.
My {feelings|feeling} about the {council|council} are mixed.
The {series|series} was about two {families|family}.
The {crises|crisis} came one after the other, and the {analyses|analysis} too.
Their {criteria|criterion} were not {fair|fair}.
He wore his {trousers|trousers} and carried {scissors|scissors}.
The {police|police} {arrived|arrive} with two {officers|officer}.
The {sheep|sheep} {stood|stand} in the {fields|field}.
The {news|news} was {worse|bad} than we {feared|fear}.
The {cheaper|cheap} {tickets|ticket} were sold out.
The {busier|busy} {lines|line} have {larger|large} vehicles.
It was the {coldest|cold} {winter|winter} in {decades|decade}.
She {drove|drive} the van and he {paid|pay} for the petrol.
The letter was {written|write} by {neighbours|neighbour}.
The dog {died|die} and they {buried|bury} it.
He was {lying|lie} on the {benches|bench}.
She {tied|tie} her {laces|lace} and {ran|run}.
They had {begun|begin} to {argue|argue} about {wages|wage}.
The {porters|porter} {brought|bring} the {cases|case} up.
The {leaves|leaf} fell on the {pavements|pavement}.
My {mother's|mother} {sister|sister} was a {nurse|nurse}.
The {nurses'|nurse} {uniforms|uniform} were {blue|blue}.
The {worried|worried} {passengers|passenger} {phoned|phone} home.
That {interesting|interesting} {woman|woman} ran the {laundry|laundry}.
She {felt|feel} {safer|safe} with the {cameras|camera}.
The {bruises|bruise} and the {burns|burn} {healed|heal}.
The {heroes|hero} of the {strikes|strike} were {forgotten|forget}.
He {swam|swim} across, {shook|shake} himself and {laughed|laugh}.
The {taxes|tax} {rose|rise} and the {rents|rent} too.
They {sang|sing} and {drank|drink} till the {musicians|musician} left.
The {thieves|thief} {broke|break} the {windows|window}.
The {oxen|ox} and the {geese|goose} were {sold|sell}.
{Diagnoses|diagnosis} were made by {physicians|physician}.
He {chose|choose} the {quieter|quiet} {streets|street}.
Our {lives|life} {changed|change} with the {timetables|timetable}.
It {froze|freeze} and the {pipes|pipe} {burst|burst}.
The {crews|crew} {flew|fly} to the {islands|island}.
She {lent|lend} me the {umbrella|umbrella}.
The {cooks|cook} were {hiding|hide} in the {pantries|pantry}.
The {bicycles|bicycle} {rusted|rust} by the {canals|canal}.
We {heard|hear} the {foxes|fox} at {dusk|dusk}.
The {heating|heating} and the {plumbing|plumbing} were {old|old}.
Some {beliefs|belief} and some {proofs|proof} are {older|old} than that.
The [preceding year|preceding year] was as bad. In the preceding year we moved. The preceding year was wet.
A [sinking fund|sinking fund] pays it. The sinking fund is small. They use the sinking fund.
She went into [higher education|higher education]. We fund higher education. Higher education costs.
[Developing countries|developing countries] owe us. We visited developing countries. The developing countries met.
The [sales tax|sales tax] went up. They kept the sales tax. A sales tax hurts.
[Per capita income|per capita income] fell. Our per capita income rose. The per capita income is low.
The [night shifts|night shift] are long. The night shift ends. I like the night shift.
A [waiting room|waiting room] is cold. The waiting room shuts. We sat in the waiting room.
The [living room|living room] is damp. She painted the living room. The living room is dark.
A [washing machine|washing machine] broke. The washing machine leaks. Our washing machine is old.
The [parking spaces|parking space] are full. A parking space costs. They sold the parking space.
The [street lights|street light] went out. A street light flickers. Under the street light he stood.
My [bus driver|bus driver] waved. The bus driver sings. A bus driver knows.
The [opening hours|opening hours] changed. Their opening hours are short. The opening hours suit me.
The [mental health|mental health] team came. His mental health suffered. We talk of mental health.
[Public transport|public transport] is slow. They cut public transport. Public transport matters.
A [social worker|social worker] rang. The social worker left. My social worker listens.
The [town halls|town hall] are old. A town hall burned. They met in the town hall.
The [running costs|running costs] are high. Their running costs doubled. We pay the running costs.
Our [working conditions|working conditions] got worse. The working conditions are bad. They studied working conditions.
A [driving licence|driving licence] helps. He lost his driving licence. My driving licence expired.
The [retired people|retired people] complain. Some retired people sing. We asked retired people.
The [broken windows|broken window] let rain in. A broken window is enough. He mended the broken window.
The [traffic lights|traffic light] failed. A traffic light fell. At the traffic light we stopped.
A [bank account|bank account] is needed. The bank account was empty. She closed her bank account.
The [minimum wage|minimum wage] rose. They pay the minimum wage. A minimum wage helps.
The [shopping centre|shopping centre] is empty. A shopping centre opened. We hate the shopping centre.
The [sleeping pills|sleeping pill] do not help. A sleeping pill works. He took a sleeping pill.
The [fire engine|fire engine] came. A fire engine is loud. They bought a fire engine.
The [data protection|data protection] officer wrote. We need data protection. Data protection is hard.
`;
