import type { ANNOTATED } from './annotated.ts';

/**
 * What made-up people say of their library and their market, as they would say it: written after the rules and tried once. Notation as
 * in `ANNOTATED`.
 */
export const LONGER: typeof ANNOTATED = {
  de: `
Ich gehe/v:gehen seit Jahren/n:Jahr in die Bücherei/n am alten/a:alt Hafen/n. Früher war dort eine Werft/n, und mein Vater/n reparierte/v:reparieren dort Schiffe/n:Schiff.
Heute stehen/v:stehen Regale/n:Regal in der Halle/n, und die Kinder/n:Kind lesen/v:lesen auf bunten/a:bunt Kissen/n.
Die Bibliothekarin/n kennt/v:kennen jeden Besucher/n und empfiehlt/v:empfehlen spannende/a:spannend Romane/n:Roman.
Leider kürzt/v:kürzen die Gemeinde/n das Geld/n, und die Öffnungszeiten/n:Öffnungszeit werden kürzer.
Viele Rentner/n verbringen/v:verbringen dort den ganzen/a:ganz Vormittag/n, lesen/v:lesen Zeitungen/n:Zeitung und trinken/v:trinken Kaffee/n.
Für Familien/n:Familie mit wenig Geld/n ist das ein wichtiger/a:wichtig Ort/n, denn die Wohnungen/n:Wohnung sind klein und die Bücher/n:Buch teuer.
Meine Enkelin/n macht/v:machen dort ihre Hausaufgaben/n:Hausaufgabe, weil ihre Brüder/n:Bruder zu Hause/n schreien/v:schreien.
Am Samstag/n ist Markt/n: Die Bauern/n:Bauer verkaufen/v:verkaufen Kartoffeln/n:Kartoffel, Eier/n:Ei und frische/a:frisch Kräuter/n:Kraut.
Die Händler/n klagen/v:klagen über hohe/a:hoch Gebühren/n:Gebühr und schlechtes/a:schlecht Wetter/n.
Ein Fischer/n erzählte/v:erzählen mir von leeren/a:leer Netzen/n:Netz und kalten/a:kalt Nächten/n:Nacht auf dem Meer/n.
Die Behörden/n:Behörde prüfen/v:prüfen jetzt die Waagen/n:Waage und die Preise/n:Preis.
Neben der Kirche/n wachsen/v:wachsen zwei Linden/n:Linde, unter denen alte/a:alt Freundinnen/n:Freundin sitzen/v:sitzen und lachen/v:lachen.
Der Pfarrer/n sammelt/v:sammeln Spenden/n:Spende für die Orgel/n, deren Pfeifen/n:Pfeife rosten/v:rosten.
Die Jugendlichen/n brauchen/v:brauchen einen Raum/n für ihre Musik/n, sonst stören/v:stören sie die Nachbarn/n:Nachbar.
Unser Verein/n plant/v:planen ein Fest/n mit Tänzen/n:Tanz, Liedern/n:Lied und Spielen/n:Spiel.
Ohne freiwillige/a:freiwillig Helfer/n scheitert/v:scheitern jedes Vorhaben/n.
`,
  fr: `
Je fréquente/v:fréquenter depuis des années/n:année la bibliothèque/n du vieux port/n. Autrefois, mon père/n y réparait/v:réparer des bateaux/n:bateau.
Aujourd’hui des étagères/n:étagère remplissent/v:remplir la salle/n, et les enfants/n:enfant lisent/v:lire sur des coussins/n:coussin.
La bibliothécaire/n connaît/v:connaître chaque visiteur/n et conseille/v:conseiller des romans/n:roman.
La commune/n réduit/v:réduire le budget/n, et les horaires/n:horaire diminuent/v:diminuer.
Beaucoup de retraités/n:retraité passent/v:passer là toute la matinée/n, lisent/v:lire les journaux/n:journal et boivent/v:boire du café/n.
Pour les familles/n:famille pauvres/a:pauvre, c’est un lieu/n précieux/a, car les logements/n:logement coûtent/v:coûter cher.
Ma petite-fille y fait/v:faire ses devoirs/n:devoir, parce que ses frères/n:frère crient/v:crier à la maison/n.
Le samedi/n, les paysans/n:paysan vendent/v:vendre des pommes/n:pomme de terre/n, des œufs/n:œuf et des herbes/n:herbe.
Les marchands/n:marchand dénoncent/v:dénoncer des taxes/n:taxe élevées et le mauvais/a temps/n.
Un pêcheur/n me parlait/v:parler de ses filets/n:filet vides/a:vide et des nuits/n:nuit froides/a:froid en mer/n.
Les autorités/n:autorité contrôlent/v:contrôler les balances/n:balance et les tarifs/n:tarif.
Près de l’église/n poussent/v:pousser deux tilleuls/n:tilleul, et de vieilles amies/n:ami rient/v:rire sur le banc/n.
Le curé/n collecte/v:collecter des dons/n:don pour l’orgue/n.
Les jeunes/n:jeune réclament/v:réclamer une pièce/n pour leur musique/n, sinon ils dérangent/v:déranger les voisins/n:voisin.
Notre association/n prépare/v:préparer une fête/n avec des danses/n:danse, des chansons/n:chanson et des jeux/n:jeu.
Sans bénévoles/n:bénévole, le projet/n échoue/v:échouer.
`,
  es: `
Voy desde hace años/n:año a la biblioteca/n del puerto/n viejo/a. Antes mi padre/n reparaba barcos/n:barco allí.
Hoy las estanterías/n:estantería llenan la sala/n, y los niños/n:niño leen sobre cojines/n:cojín.
La bibliotecaria/n conoce a cada visitante/n y recomienda novelas/n:novela.
El ayuntamiento/n recorta el presupuesto/n, y los horarios/n:horario se reducen.
Muchos jubilados/n:jubilado pasan allí la mañana/n, leen los periódicos/n:periódico y toman café/n.
Para las familias/n:familia es un lugar/n importante/a, porque las viviendas/n:vivienda son pequeñas y los libros/n:libro caros.
Mi nieta/n hace allí los deberes/n:deber, porque sus hermanos/n:hermano gritan en la casa/n.
El sábado/n los campesinos/n:campesino venden patatas/n:patata, huevos/n:huevo y hierbas/n:hierba.
Los vendedores/n:vendedor critican las tasas/n:tasa altas y el tiempo/n.
Un pescador/n me hablaba de sus redes/n:red vacías y de las noches/n:noche frías en el mar/n.
Las autoridades/n:autoridad controlan las balanzas/n:balanza y los precios/n:precio.
Junto a la iglesia/n crecen dos tilos/n:tilo, y las amigas/n:amiga ríen en el banco/n.
El cura/n recoge donaciones/n:donación para el órgano/n.
Los jóvenes/n:joven piden un local/n para su música/n, porque molestan a los vecinos/n:vecino.
Nuestra asociación/n prepara una fiesta/n con bailes/n:baile, canciones/n:canción y juegos/n:juego.
La lluvia/n y el viento/n dañan los tejados/n:tejado de las naves/n:nave del mercado/n.
Las paredes/n:pared tienen grietas/n:grieta, y las ventanas/n:ventana no cierran.
La alcaldesa/n promete una solución/n antes de las elecciones/n:elección.
Los pintores/n:pintor exponen sus cuadros/n:cuadro en el pasillo/n.
El profesor/n explica la historia/n del barrio/n con mapas/n:mapa y fotografías/n:fotografía.
Los turistas/n:turista compran recuerdos/n:recuerdo y postales/n:postal en las tiendas/n:tienda.
Las leyes/n:ley protegen los árboles/n:árbol, las raíces/n:raíz y los animales/n:animal.
`,
  it: `
Da anni/n:anno frequento/v:frequentare la biblioteca/n del vecchio porto/n. Una volta mio padre/n riparava/v:riparare qui le barche/n:barca.
Oggi gli scaffali/n:scaffale riempiono/v:riempire la sala/n, e i bambini/n:bambino leggono/v:leggere sui cuscini/n:cuscino.
La bibliotecaria/n conosce/v:conoscere ogni visitatore/n e consiglia/v:consigliare romanzi/n:romanzo.
Il comune/n taglia/v:tagliare i fondi/n:fondo, e gli orari/n:orario diminuiscono/v:diminuire.
Molti pensionati/n:pensionato passano/v:passare qui la mattina/n, leggono/v:leggere i giornali/n:giornale e bevono/v:bere il caffè/n.
Per le famiglie/n:famiglia povere/a:povero è un luogo/n importante/a, perché le abitazioni/n:abitazione sono piccole e i libri/n:libro cari.
Mia nipote/n fa qui i compiti/n:compito, perché i fratelli/n:fratello gridano/v:gridare in casa/n.
Il sabato/n i contadini/n:contadino vendono/v:vendere patate/n:patata, uova/n:uovo ed erbe/n:erba.
I commercianti/n:commerciante criticano/v:criticare le tasse/n:tassa alte/a:alto e il brutto/a tempo/n.
Un pescatore/n mi parlava/v:parlare delle reti/n:rete vuote/a:vuoto e delle notti/n:notte fredde/a:freddo in mare/n.
Le autorità/n controllano/v:controllare le bilance/n:bilancia e i prezzi/n:prezzo.
Vicino alla chiesa/n crescono/v:crescere due tigli/n:tiglio, e le vecchie amiche/n:amica ridono/v:ridere sulla panchina/n.
Il parroco/n raccoglie/v:raccogliere offerte/n:offerta per l’organo/n.
I giovani/n:giovane chiedono/v:chiedere una stanza/n per la loro musica/n, altrimenti disturbano/v:disturbare i vicini/n:vicino.
La nostra associazione/n prepara/v:preparare una festa/n con balli/n:ballo, canzoni/n:canzone e giochi/n:gioco.
Senza volontari/n:volontario il progetto/n fallisce/v:fallire.
`,
  pt: `
Vou há anos/n:ano à biblioteca/n do porto/n velho/a. Antes o meu pai/n reparava barcos/n:barco ali.
Hoje as estantes/n:estante enchem a sala/n, e as crianças/n:criança leem sobre almofadas/n:almofada.
A bibliotecária/n conhece cada visitante/n e recomenda romances/n:romance.
A câmara/n corta o orçamento/n, e os horários/n:horário diminuem.
Muitos reformados/n:reformado passam ali a manhã/n, leem os jornais/n:jornal e bebem café/n.
Para as famílias/n:família é um lugar/n importante/a, porque as habitações/n:habitação são pequenas e os livros/n:livro caros.
A minha neta/n faz ali os deveres/n:dever, porque os irmãos/n:irmão gritam em casa/n.
No sábado/n os camponeses/n:camponês vendem batatas/n:batata, ovos/n:ovo e ervas/n:erva.
Os vendedores/n:vendedor criticam as taxas/n:taxa altas e o mau tempo/n.
Um pescador/n falava das redes/n:rede vazias e das noites/n:noite frias no mar/n.
As autoridades/n:autoridade controlam as balanças/n:balança e os preços/n:preço.
Junto da igreja/n crescem duas tílias/n:tília, e as amigas/n:amiga riem no banco/n.
O padre/n recolhe doações/n:doação para o órgão/n.
Os jovens/n:jovem pedem uma sala/n para a sua música/n, porque incomodam os vizinhos/n:vizinho.
A nossa associação/n prepara uma festa/n com danças/n:dança, canções/n:canção e jogos/n:jogo.
A chuva/n e o vento/n estragam os telhados/n:telhado do mercado/n.
As paredes/n:parede têm fendas/n:fenda, e as janelas/n:janela não fecham.
O presidente/n promete uma solução/n antes das eleições/n:eleição.
Os pintores/n:pintor mostram os quadros/n:quadro no corredor/n.
O professor/n explica a história/n do bairro/n com mapas/n:mapa e fotografias/n:fotografia.
Os turistas/n:turista compram lembranças/n:lembrança e postais/n:postal nas lojas/n:loja.
As leis/n:lei protegem as árvores/n:árvore, as raízes/n:raiz e os animais/n:animal.
`,
  nl: `
Ik kom al jaren/n:jaar in de bibliotheek/n bij de oude/a haven/n. Vroeger repareerde mijn vader/n daar schepen/n:schip.
Nu staan er kasten/n:kast in de zaal/n, en de kinderen/n:kind lezen op kussens/n:kussen.
De bibliothecaris/n kent elke bezoeker/n en raadt romans/n:roman aan.
De gemeente/n verlaagt het budget/n, en de openingstijden/n:openingstijd krimpen.
Veel bejaarden/n:bejaarde zitten daar de hele ochtend/n, lezen de kranten/n:krant en drinken koffie/n.
Voor de gezinnen/n:gezin is het een belangrijke/a plek/n, want de woningen/n:woning zijn klein en de boeken/n:boek duur.
Mijn kleindochter/n maakt er haar huiswerk/n, omdat haar broers/n:broer thuis schreeuwen.
Op zaterdag/n verkopen de boeren/n:boer aardappelen/n:aardappel, eieren/n:ei en kruiden/n:kruid.
De verkopers/n:verkoper mopperen over de belastingen/n:belasting en het weer/n.
Een visser/n vertelde over zijn lege netten/n:net en de koude nachten/n:nacht op de zee/n.
De ambtenaren/n:ambtenaar controleren de weegschalen/n:weegschaal en de prijzen/n:prijs.
Naast de kerk/n groeien twee bomen/n:boom, en de vriendinnen/n:vriendin lachen op de bank/n.
De pastoor/n verzamelt giften/n:gift voor het orgel/n.
De jongeren/n:jongere vragen om een ruimte/n voor hun muziek/n, anders storen ze de buren/n:buur.
Onze vereniging/n organiseert een feest/n met dansen/n:dans, liederen/n:lied en spelen/n:spel.
De regen/n en de wind/n beschadigen de daken/n:dak van de markt/n.
De muren/n:muur hebben scheuren/n:scheur, en de ramen/n:raam sluiten niet.
De burgemeester/n belooft een oplossing/n voor de verkiezingen/n:verkiezing.
De schilders/n:schilder tonen hun werken/n:werk in de gang/n.
De leraar/n vertelt de geschiedenis/n van de wijk/n met kaarten/n:kaart en foto's/n:foto.
De toeristen/n:toerist kopen souvenirs/n:souvenir en ansichtkaarten/n:ansichtkaart in de winkels/n:winkel.
De wetten/n:wet beschermen de bomen/n:boom, de wortels/n:wortel en de dieren/n:dier.
`,
};
