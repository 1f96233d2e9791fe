/**
 * Sentences written for each language, their words with part of speech and dictionary form: word/n:lemma, where the lemma is left out
 * it is the word itself in small letters (German nouns: as it stands).
 */
export const ANNOTATED: Readonly<Record<'de' | 'fr' | 'es' | 'it' | 'pt' | 'nl', string>> = {
  de: `
Die Fahrerin/n wartet/v:warten an der dunklen/a:dunkel Haltestelle/n auf den letzten Bus/n.
Viele Häuser/n:Haus stehen/v:stehen leer, und die Straßen/n:Straße sind nachts still.
Meine Schichten/n:Schicht beginnen/v:beginnen früh, deshalb nehme ich den Nachtbus/n.
Die Stadt/n hat neue/a:neu Buslinien/n:Buslinie und bessere Fahrpläne/n:Fahrplan versprochen.
Wir hören/v:hören den Lärm/n der Motoren/n:Motor bis ins Schlafzimmer/n.
Die Kinder/n:Kind schlafen/v:schlafen schlecht, wenn die Bremsen/n:Bremse quietschen/v:quietschen.
Ein Kollege/n von mir wohnt/v:wohnen in einem kleinen/a:klein Dorf/n hinter dem Fluss/n.
Die Krankenschwestern/n:Krankenschwester bezahlen/v:bezahlen ein teures/a:teuer Taxi/n.
In den Zügen/n:Zug sitzen/v:sitzen müde/a Arbeiter/n und Studenten/n:Student.
Das Licht/n an der Brücke/n war kaputt, und niemand reparierte/v:reparieren es.
Der Bürgermeister/n spricht/v:sprechen von Kosten/n, Preisen/n:Preis und öffentlichen/a:öffentlich Verkehrsmitteln/n:Verkehrsmittel.
Die Sicherheit/n der Frauen/n:Frau ist eine wichtige/a:wichtig Frage/n.
Alte Männer/n:Mann erzählen/v:erzählen von früheren/a:früh Zeiten/n:Zeit.
Der Regen/n fällt/v:fallen auf die Dächer/n:Dach, und die Gäste/n:Gast laufen/v:laufen zum Bahnhof/n.
Mit dem Fahrrad/n brauche/v:brauchen ich eine Stunde/n bis zum Lager/n.
Die Freunde/n:Freund meiner Tochter/n feiern/v:feiern in den Kneipen/n:Kneipe der Altstadt/n.
`,
  fr: `
La conductrice/n:conducteur attend/v:attendre le dernier bus/n sous la pluie/n.
Les chevaux/n:cheval du voisin/n dorment/v:dormir dans les champs/n:champ.
L’éducation/n des enfants/n:enfant demande/v:demander de la patience/n.
Les journaux/n:journal parlent/v:parler des travaux/n:travail dans la rue/n.
J’habite/v:habiter un petit village/n près de l’hôpital/n.
Les infirmières/n:infirmier paient/v:payer un taxi/n trop cher/a.
Le bruit/n des moteurs/n:moteur réveille/v:réveiller ma fille/n.
Nous prenons/v:prendre la ligne/n de nuit/n après le travail/n.
Les prix/n des billets/n:billet augmentent/v:augmenter chaque année/n.
La ville/n a promis des transports/n:transport publics/a:public et de nouveaux horaires/n:horaire.
Les femmes/n:femme craignent/v:craindre l’obscurité/n des quais/n:quai.
Mon mari/n cherche/v:chercher un emploi/n à l’usine/n.
Les lampes/n:lampe du pont/n restent/v:rester éteintes.
Une vieille maison/n brûle/v:brûler au bord/n de la rivière/n.
Les étudiants/n:étudiant rentrent/v:rentrer tard/x des fêtes/n:fête.
Le maire/n explique/v:expliquer la décision/n aux habitants/n:habitant.
Son chien/n aboie/v:aboyer contre les voitures/n:voiture.
Les oiseaux/n:oiseau chantent/v:chanter dans les arbres/n:arbre du jardin/n.
`,
  es: `
La conductora/n espera el último autobús/n bajo la lluvia/n.
Los hospitales/n:hospital necesitan médicos/n:médico y enfermeras/n:enfermera.
La salud/n pública/a preocupa a las familias/n:familia del barrio/n.
El ruido/n de los motores/n:motor despierta a mi hija/n.
Las luces/n:luz del puente/n están apagadas.
Los precios/n:precio de los billetes/n:billete suben cada año/n.
Vivo en un pueblo/n pequeño cerca de la estación/n.
Los estudiantes/n:estudiante vuelven tarde de las fiestas/n:fiesta.
El alcalde/n explica la decisión/n a los vecinos/n:vecino.
Las ciudades/n:ciudad tienen calles/n:calle oscuras y parques/n:parque vacíos.
Mi marido/n busca un empleo/n en la fábrica/n.
Los taxis/n:taxi son caros para los trabajadores/n:trabajador.
Las mujeres/n:mujer temen la oscuridad/n de los andenes/n:andén.
El perro/n ladra a los coches/n:coche del jardín/n.
Los pájaros/n:pájaro cantan en los árboles/n:árbol.
La seguridad/n de los niños/n:niño es una cuestión/n importante/a.
Las reuniones/n:reunión del sindicato/n duran dos horas/n:hora.
El periódico/n habla de las obras/n:obra en la plaza/n.
Las imágenes/n:imagen del accidente/n asustan a los jóvenes/n:joven.
Las voces/n:voz de los clientes/n:cliente llenan el mercado/n.
`,
  it: `
L’autista/n aspetta/v:aspettare l’ultimo autobus/n sotto la pioggia/n.
Gli ospedali/n:ospedale cercano/v:cercare medici/n:medico e infermiere/n.
Il rumore/n dei motori/n:motore sveglia/v:svegliare mia figlia/n.
Le luci/n:luce del ponte/n restano/v:restare spente.
I prezzi/n:prezzo dei biglietti/n:biglietto aumentano/v:aumentare ogni anno/n.
Vivo/v:vivere in un paese/n vicino alla stazione/n.
Gli studenti/n:studente tornano/v:tornare tardi dalle feste/n:festa.
Il sindaco/n spiega/v:spiegare la decisione/n ai cittadini/n:cittadino.
Le città/n hanno strade/n:strada buie e parchi/n:parco vuoti.
Mio marito/n cerca/v:cercare lavoro/n nella fabbrica/n.
I tassisti/n:tassista chiedono/v:chiedere troppi soldi/n:soldo.
Le donne/n:donna temono/v:temere il buio/n dei binari/n:binario.
Il cane/n del vicino/n abbaia/v:abbaiare alle macchine/n:macchina.
Gli uccelli/n:uccello cantano/v:cantare sugli alberi/n:albero del giardino/n.
La sicurezza/n dei bambini/n:bambino è una questione/n importante/a.
Le riunioni/n:riunione del sindacato/n durano/v:durare due ore/n:ora.
Il giornale/n parla/v:parlare dei lavori/n:lavoro nella piazza/n.
Le amiche/n:amica di mia madre/n bevono/v:bere un caffè/n all’angolo/n.
I laghi/n:lago e i boschi/n:bosco della regione/n attirano/v:attirare turisti/n:turista.
`,
  pt: `
A motorista/n espera o último ônibus/n debaixo da chuva/n.
Os hospitais/n:hospital precisam de médicos/n:médico e enfermeiras/n:enfermeira.
O barulho/n dos motores/n:motor acorda a minha filha/n.
As luzes/n:luz da ponte/n estão apagadas.
Os preços/n:preço dos bilhetes/n:bilhete sobem a cada ano/n.
Moro numa aldeia/n pequena perto da estação/n.
Os estudantes/n:estudante voltam tarde das festas/n:festa.
O prefeito/n explica a decisão/n aos moradores/n:morador.
As cidades/n:cidade têm ruas/n:rua escuras e parques/n:parque vazios.
O meu marido/n procura um emprego/n na fábrica/n.
Os táxis/n:táxi são caros para os trabalhadores/n:trabalhador.
As mulheres/n:mulher temem a escuridão/n das plataformas/n:plataforma.
O cão/n do vizinho/n ladra aos carros/n:carro.
Os pássaros/n:pássaro cantam nas árvores/n:árvore do jardim/n.
A segurança/n das crianças/n:criança é uma questão/n importante/a.
As reuniões/n:reunião do sindicato/n duram duas horas/n:hora.
O jornal/n fala das obras/n:obra na praça/n.
As viagens/n:viagem de trem/n são longas, e os animais/n:animal ficam em casa/n.
Os papéis/n:papel da herança/n estão com a mãe/n.
`,
  nl: `
De buschauffeur/n wacht op de laatste reizigers/n:reiziger in de regen/n.
De ziekenhuizen/n:ziekenhuis zoeken artsen/n:arts en verpleegsters/n:verpleegster.
Het lawaai/n van de motoren/n:motor wekt mijn dochter/n.
De lampen/n:lamp op de brug/n zijn kapot.
De prijzen/n:prijs van de kaartjes/n:kaartje stijgen elk jaar/n.
Ik woon in een dorp/n bij het station/n.
De studenten/n:student komen laat van de feesten/n:feest.
De burgemeester/n legt het besluit/n uit aan de bewoners/n:bewoner.
De steden/n hebben donkere/a:donker straten/n:straat en lege parken/n:park.
Mijn man/n zoekt een baan/n in de fabriek/n.
De vrouwen/n:vrouw vrezen het duister/n van de perrons/n:perron.
De hond/n van de buurman/n blaft naar de auto's/n:auto.
De vogels/n:vogel zingen in de bomen/n:boom van de tuin/n.
De veiligheid/n van de kinderen/n:kind is een belangrijke/a:belangrijk vraag/n.
De vergaderingen/n:vergadering van de vakbond/n duren twee uur/n.
De krant/n schrijft over de bussen/n:bus en de huizen/n:huis in de wijk/n.
De ramen/n:raam van het café/n zijn vuil.
`,
};

/** More of them, written after all rules stood and tried once: what is to be expected of other texts. */
export const FRESH: typeof ANNOTATED = {
  de: `
Unsere Nachbarin/n backt/v:backen sonntags einen süßen/a:süß Kuchen/n mit Äpfeln/n:Apfel.
Die Lehrer/n kritisieren/v:kritisieren das Gesetz/n und fordern/v:fordern kleinere/a:klein Klassen/n:Klasse.
Hinter den Fabriken/n:Fabrik liegen/v:liegen Gärten/n:Garten und Wiesen/n:Wiese.
Der Arzt/n verschrieb/v:verschreiben mir starke/a:stark Tabletten/n:Tablette gegen die Schmerzen/n:Schmerz.
Im Winter/n frieren/v:frieren die Leitungen/n:Leitung in den Kellern/n:Keller.
Die Gewerkschaft/n verhandelt/v:verhandeln über Löhne/n:Lohn und Arbeitszeiten/n:Arbeitszeit.
Meine Großeltern/n besaßen/v:besitzen zwei Kühe/n:Kuh und einen Hund/n.
`,
  fr: `
Notre voisine/n:voisin prépare/v:préparer un gâteau/n avec des pommes/n:pomme.
Les professeurs/n:professeur critiquent/v:critiquer la loi/n et demandent/v:demander des classes/n:classe plus calmes/a:calme.
Derrière les usines/n:usine, il y a des jardins/n:jardin et des prés/n:pré.
Le médecin/n prescrit/v:prescrire des médicaments/n:médicament contre la douleur/n.
En hiver/n, l’eau/n gèle/v:geler dans les caves/n:cave.
Le syndicat/n négocie/v:négocier les salaires/n:salaire.
Mes parents/n:parent possédaient/v:posséder deux vaches/n:vache et un cheval/n.
`,
  es: `
Nuestra vecina/n prepara un pastel/n con manzanas/n:manzana.
Los profesores/n:profesor critican la ley/n y piden clases/n:clase pequeñas.
Detrás de las fábricas/n:fábrica hay jardines/n:jardín y campos/n:campo.
El médico/n receta pastillas/n:pastilla contra el dolor/n.
En invierno/n el agua/n se hiela en los sótanos/n:sótano.
El sindicato/n negocia los sueldos/n:sueldo y los horarios/n:horario.
Mis abuelos/n:abuelo tenían dos vacas/n:vaca y un caballo/n.
`,
  it: `
La nostra vicina/n prepara/v:preparare una torta/n con le mele/n:mela.
I professori/n:professore criticano/v:criticare la legge/n e chiedono/v:chiedere classi/n:classe piccole.
Dietro le fabbriche/n:fabbrica ci sono giardini/n:giardino e campi/n:campo.
Il medico/n prescrive/v:prescrivere pastiglie/n:pastiglia contro il dolore/n.
In inverno/n l’acqua/n gela/v:gelare nelle cantine/n:cantina.
Il sindacato/n tratta/v:trattare gli stipendi/n:stipendio e gli orari/n:orario.
I miei nonni/n:nonno avevano due mucche/n:mucca e un cavallo/n.
`,
  pt: `
A nossa vizinha/n prepara um bolo/n com maçãs/n:maçã.
Os professores/n:professor criticam a lei/n e pedem turmas/n:turma menores.
Atrás das fábricas/n:fábrica há jardins/n:jardim e campos/n:campo.
O médico/n receita comprimidos/n:comprimido contra a dor/n.
No inverno/n a água/n congela nos porões/n:porão.
O sindicato/n negocia os salários/n:salário e os horários/n:horário.
Os meus avós/n:avó tinham duas vacas/n:vaca e um cavalo/n.
`,
  nl: `
Onze buurvrouw/n bakt een taart/n met appels/n:appel.
De leraren/n:leraar bekritiseren de wet/n en vragen om kleinere klassen/n:klas.
Achter de fabrieken/n:fabriek liggen tuinen/n:tuin en weiden/n:weide.
De dokter/n schrijft tabletten/n:tablet tegen de pijn/n voor.
In de winter/n bevriest het water/n in de kelders/n:kelder.
De vakbond/n onderhandelt over de lonen/n:loon en de roosters/n:rooster.
Mijn grootouders/n:grootouder hadden twee koeien/n:koe en een paard/n.
`,
};
