/** Words that tell what a name is of, small letters. */
const words = (list: string): ReadonlySet<string> => new Set(list.split(/\s+/));

/** Forms of address: before a name but no part of it. */
export const TITLES = words(
  'mr mrs ms miss mx dr sir madam prof professor herr frau señor señora monsieur madame',
);

/** Last words of places, and first ones. */
export const PLACE_WORDS = words(
  'street road lane avenue square park hill close drive crescent terrace gardens green row walk bridge river lake sea bay beach harbour harbor island islands isle valley mountain mountains forest wood woods moor fen common coast cape castle tower station airport junction corner market quarter district county city town village estate quay dock docks wharf pier canal point cross gate mill mills crossroads roundabout lock heath marsh field fields place plaza boulevard way north south east west',
);
export const PLACE_BEGINNINGS = words(
  'lake mount port cape fort isle river north south east west upper lower great',
);
/** Words of organisations, at the end or before of. */
export const ORGANISATION_WORDS = words(
  'council company committee government congress treasury nations co-op hospital clinic school college university academy institute society association union trust bank church chapel club group team centre center agency authority department ministry office board commission court library museum gallery theatre cinema hotel café cafe bar pub shop store stores bakery laundry garage factory foundation charity federation party police army navy service services insurance railways railway buses transport lines taxis network radio television times herald gazette journal post news press works depot surgery pharmacy nursery restaurant supermarket ltd limited inc plc llc gmbh co corporation corp partnership partners brothers sons friends ministry bureau parliament senate alliance league guild choir orchestra band nhs homes housing energy water cooperative co-operative collective workshop studio studios',
);
/** Before a name, or first in it: what a person is called by. */
export const ROLES = words(
  'uncle aunt auntie aunty granny grandma grandpa grandad nana mum mom dad mother father sister brother daughter son cousin niece nephew wife husband partner girlfriend boyfriend friend mate neighbour neighbor colleague boss manager supervisor nurse doctor teacher driver officer sergeant inspector constable councillor mayor president minister senator governor judge captain colonel major king queen prince princess lord lady pope father bishop reverend saint pastor rabbi imam nanny chef coach detective director secretary saint',
);
/** Before a name what says that it is somebody, though it is no part of the name. */
export const FONDLY = words('baby little old young poor dear');
/** Feasts and seasons are written like names but are of nobody. */
export const FEASTS = words(
  "christmas easter halloween hallowe'en ramadan eid diwali passover hanukkah lent advent pentecost midsummer",
);
/** What people do, after their names. */
export const DOINGS = words(
  'said says say told tells asked asks replied answered thinks thought feels felt knows knew wants wanted loves loved likes liked hates hated believes believed remembers remembered laughed laughs cried smiled smiles shouted whispered nodded sat sits slept sleeps walked walks drove drives rang rings phoned phones texted called calls came comes went goes worked works lived lives moved died born married retired explained admitted agreed complained joked sighed hopes hoped worries worried waited waits helped helps cooks cooked wrote writes reads taught teaches',
);
/** Before a name: what one does with people. */
export const TOWARDS = words(
  'met meet meets asked ask told tell phoned rang ring text texted called named thank thanked love loved miss missed with married kissed hugged visited invited helped trust trusted blame blamed and',
);
export const SAYING_BEFORE = words('said says asked replied answered cried');
export const WAYS = words(
  'to from near through towards toward into across around round past outside beyond behind between via over up down along inside beside leaving',
);
export const WORKS = words('for joined join against of by');
export const WORKING = words(
  'work works worked working employed job member run owned funded paid staff employee volunteer volunteers volunteered',
);
export const PLACE_ENDING =
  /^.{2,}(?:ton|ham|ville|burgh?|borough|ford|shire|haven|mouth|bury|gate|field|land|lands|stan|wick|wich|stead|minster|chester|caster|pool|bridge|dale|thorpe|port|worth|ness|cliff|hurst|combe|stow|grad|holm|heim|dorf)$/;
/** Names of one word that look like an adjective of a people: Polish, Northern. */
export const PEOPLE_ENDING = /(?:ish|ian|ians|ean|eans|can|cans|ese|ch|ic|ist|ists|ism)$/;
