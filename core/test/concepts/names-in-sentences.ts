/**
 * Made-up names in sentences as people say them, each with what it is of: {name|kind}, p for a person, l for a place, o for
 * an organisation, x for what is none of these. Written before the clues were tried on them.
 */
export const NAMES_IN_SENTENCES = `
My sister {Ilse Varga|p} moved to {Torrin|l} in the autumn.
We bought the tickets at {Pennywhistle Bakery|o} because {Marta|p} works there.
I told {Mr Oakes|p} that the gate in {Harrow Lane|l} was locked again.
They closed the {Saltmarsh Clinic|o} and sent us to {Brindle General Hospital|o}.
{Tomasz|p} said he would never live in {Eastwick|l}.
The bus from {Cobble End|l} to {Ferry Point|l} is always late.
She has worked for {Quillon|o} for eleven years.
I joined {Larkhaven Tenants Union|o} after the flood.
You can see it from {Beacon Hill|l} on a clear day.
My neighbour {Grete|p} looks after the children when {Piotr|p} is on nights.
The {Ministry of Harbours|o} wrote back after a year.
We met {Old Tam|p} at the market and he laughed at us.
There is nothing in {Upper Fenwick|l} after eight.
{Dr Lindqvist|p} asked me whether I slept.
The kids want to go to {Lake Orrin|l} every summer.
He reads the {Larkhaven Gazette|o} from the last page.
{Amina|p} and {Joost|p} run the stall together.
It was {Aunt Perpetua|p} who found the letter.
The number nine goes past {St Bride's Church|o} and then to {Marrow Quay|l}.
I was born in {Dunmere|l} and so was my father.
They say {Councillor Brand|p} never takes the bus.
{Nordvik Freight Ltd|o} pays less than the {Harbour Company|o}.
We used to celebrate {Midsummer|x} on the beach.
The {Friends of the Old Pier|o} meet on Thursdays.
My husband {Emeka|p} thinks the {Transport Committee|o} is asleep.
On {Tallow Street|l} nobody knows {Bartek|p}.
There was a fight outside the {Blue Heron|x} again.
She speaks {Finnish|x} at home and {English|x} at work.
I phoned {Ruta|p} from {Ashgrove Station|l}.
The nurse, {Callum Dray|p}, told us to wait.
We walked from {Gull Island|l} across {Tern Bridge|l}.
{Wren|p} thinks it is too far.
He was a driver at {Kestrel Coaches|o} before.
They moved the office to {Port Selwyn|l}.
{Little Anouk|p} asked why the lights were off.
The {Larkhaven Choir|o} sang at the station.
In {Skerry|l} they still have a shop.
I asked {Hollis|p} and {Hollis|p} said no.
My mother lives near {Cutler's Green|l}.
Everybody at {Brightwell School|o} knows the caretaker.
We got a letter from {Meridian Housing|o} about the rent.
{Sergeant Poole|p} came to the door at two.
The ferry to {Hethery|l} only runs in summer.
You would have to ask {Yusuf|p}, he knows the rota.
They sell it in {Vane's Stores|o} on the corner.
The {National Bus Authority|o} has rules for that.
I do not trust {Jasper Quill|p}.
She was at the {University of Torrin|o} then.
We drove through {Mossdale|l} and {Little Hamble|l}.
Then {Father Ignace|p} opened the hall for us.
{Kirsten|p} drives the first bus out of {Windmill Hill|l}.
People from {Northmoor|l} think we are rich.
I saw {Petra Olin|p} on the platform.
The {Rovers|x} were playing that night.
My friend {Sunniva|p} works at {Cray Laundry|o}.
We waited at {Anchor Square|l} until three.
He is a member of the {Larkhaven Anglers Club|o}.
{Mrs Abernathy|p} complained to the {Parks Department|o}.
The cameras in {Dyer's Passage|l} never worked.
I like the singing at {Diwali|x}.
They let {Bo|p} go home early.
At {Fenside Depot|o} there are two kettles.
You turn left after {Rope Walk|l}.
{Ottoline|p} rang me from {Bellhaven|l}.
The {Old Pier Trust|o} owns the land.
My cousin {Radu|p} married {Linnea|p}.
From {Gannet Bay|l} you see the lights.
I worked for {Stannard Brothers|o} till they closed.
{Uncle Feliks|p} whistled when he was worried.
The wind comes over {Crane Moor|l}.
She went to {Leonie|p} for the keys.
We had a meeting with the {Night Workers Association|o}.
There is a bench in {Poplar Gardens|l}.
Then {Ansel|p} told {Vera Lund|p} about it.
The last stop is {Weir End|l}.
He left {Kestrel|o} to work for {Tidewater|o}.
It was the {Harbour Police|o} and not ours.
We could hear {Nils|p} singing in {Cooper's Yard|l}.
`;
