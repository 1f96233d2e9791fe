/**
 * First names that are common where English, or a language near it, is spoken and that WordNet's people hardly have: it
 * knows more kings than nurses. A word that is also a common noun is left out.
 */
export const GIVEN_NAMES: ReadonlySet<string> = new Set(
  `aaliyah abby abdul abigail adele adriana agata aisha ajay akira alan albert alejandra alejandro alena alex alexandra
  alexis alfie ali alicia alina alison allison alma amanda amara amelia amina amir amira amit amos ana anaïs anastasia andreas
  andrea andy angela angelina angie anika anil anita anja ann anna annabel anneke annie antje antonia anya arjun arthur asha
  ashley astrid audrey aurora ava ayesha barry bartek beata becky belinda ben bernadette bettina beth bethany björn blake
  bogdan bradley brandon brenda brian brianna bridget brigitte britta bronwyn bryan caitlin callum camila camille candice
  carina carla carlo carly carmen carol carole caroline cassandra ceri chantal charlene chen chiara chloe chloé christina
  christine cindy claire clara claudia clémence colette colin connor craig cristina dalia dan daniela danielle danny daphne
  daria darren dave davide dawid debbie deborah deepa deirdre denise dennis derek desmond diana diane diego dimitri dina
  divya dominik dominique donna dora doreen dorota dylan eamon ebony eileen elaine elena eleni eliza ella ellen elliot elsa
  elsie emeka emilia emre enrique erika erin eszter ethan eva eve evie ewa fabian fabio farah fatima fatou federica felicity
  femi fiona flora francesca freya frida gabriela gareth gavin gemma georgia geraldine gillian gina giulia glenda goran
  graham grażyna greta gwen habiba hamid hana hanna hannah harriet harry hasan hassan heidi heike helena helga hina hiroshi
  holly hussein ibrahim ileana imani imran ines inga inge ingrid irena irene irina iris isabel isabelle isla ismail ivana
  ivy izabela jackie jacqueline jaime jake jamal jamie janet janice janine jared jasmin jasmine jason javier jayden jelena
  jenna jennifer jenny jerry jess jessie jill jodie jolene jonas jordi josephine josh joshua joyce juanita judith judy julie
  juliet juliette justin justyna kai kamal kamila karim karin karl kasia katarina katarzyna kate kathleen kathy katie
  katja katrin kavita kayla keith kelly kerstin kevin khalid kiara kieran kim kirsten kofi krishna kristina krzysztof kwame
  kyle lara larry lars latisha laura lauren laurie layla leah leila lena leon leonie leticia liam lidia lina linda lisa liz
  lizzie logan lola lorna lorraine lotte louise luca lucas lucia luciana lucie lukas luke lydia lynn maciej maddie madeleine
  madison magda maggie mahmoud malika malik manuel manuela mara marcel marco marcus mareike margarita margo maria mariam
  mariana marie mario marion marisa marjorie marlene marta martina mateo mateusz matilda matt matteo matthias maureen maya
  megan mehmet mei meera melanie melissa mia micha michaela michał michelle miguel mike mila milena milo mina miriam mohamed
  mohammad moira molly mona monica monika monique morag moritz mustafa nadia nadine naima naomi natalia natalie natasha neha
  nia niamh nick nicolas nicole nigel nikhil nikolas nils nina noah noor nora noura oksana olaf oleg olena olga olivia oluwa
  omar orla pamela paola pascal pat patricia patrick paula pauline pawel paweł pedro penelope penny petra phil philippa
  phoebe phyllis pia pilar piotr piet polly pooja priscilla priya radek rafael raj rajesh ramona rania rashid ravi razia
  rebeca regina renata renate ricardo rhiannon rita rob roberta roberto robin rodrigo ronnie rosalind rosanna rosario rosie
  roxana rui russell ryan sabine sabrina sadia sahar saïd salma samantha samira samir sana sandra sandy sanjay sara
  sasha saskia scott sean sergio shane shannon sharon sheila shirin shona sian siân silke silvia simon simone sinéad siobhan
  sofia sofie sonia sonja sophia sophie stacey stefanie stella stephanie stuart sue sunita susanna susanne suzanne svetlana
  sven sylvia sylvie tamara tanja tanya tara tariq tatiana tatjana ted teresa tess tessa theo theresa thérèse tim tina tobias
  toby tomasz tomek tony tracey tracy trevor tyler uche ulrike una ursula usman valentina valeria valerie vera verena
  veronica victoria vikram vincent viola vivian vivienne wanda waqar wayne wendy wiktor willem xavier xin yan yara yasmin
  yasmine yolanda youssef yuki yusuf yvette yvonne zach zahra zainab zara zeynep zoe zoë zofia zuzanna`.split(
    /\s+/,
  ),
);
