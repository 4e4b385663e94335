"""French. Made from translations/fr.po."""

LINES = """
untitled: Un jeu sans titre
your name: Ton nom
name of player: Nom du joueur {number}
another player: Un joueur de plus
to the table: À table
player: Joueur
player numbered: Joueur {number}
kept of you: Conservé pour la personne qui a fait ce jeu : le nom que tu donnes, tes réponses et le moment où tu les as données. Elle peut tout effacer pour de bon.
laying: On met la table…
begin: Commencer
questions: {count} question | {count} de questions | {count} questions
how many: Combien de questions, de 1 à {most} ?
rounds: Manches
played: jouée
sound with a press: Le son commence dès que tu appuies quelque part.
question number: Question {number}
question of: Question {number} sur {count}
question up to: Question {number} sur {count} au plus
has the turn: à son tour
is out: hors jeu
score: Points
lives: Vies
clock of the question: Temps de la question
clock of the round: Temps de la manche
clock of the game: Temps du jeu
of the question: question
of the round: manche
of the game: jeu
seconds: {count} s
seconds left: encore {count} seconde | encore {count} de secondes | encore {count} secondes
tries left: Essais restants : {count}.
misses left: Encore {count} erreur permise. | Encore {count} d’erreurs permises. | Encore {count} erreurs permises.
pick all: Choisis toutes les bonnes, puis réponds.
answer with: Répondre avec {count} choix | Répondre avec {count} de choix | Répondre avec {count} choix
answer: Répondre
type answer: Écris ta réponse
or type: Ou écris ta réponse
or say: Ou dis le tout
hint: Indice
hint is: Indice : {hint}
pass: Passer
letters: Lettres
tried: {sign}, déjà essayée
blank: vide
picked: choisi
right answer: bonne réponse
your answer: ta réponse
picture of the question: L’image dont parle cette question
sound of the question: le son dont parle cette question
picture choice: Image {letter}
sound choice: Son {letter}
hear it: Écouter
stop it: Arrêter
sound is off: Le son est coupé.
cannot hear: Ce son ne peut pas être joué ici.
read out: Lire à voix haute
no voice: Il n’y a pas de voix sur cet appareil pour le lire.
right: Juste.
close: Presque, et ça compte.
wrong: Pas cette fois.
late: Trop tard.
was passed: Passé.
hit: Oui.
miss: Non.
unreadable: Impossible à lire : {why}. Cela ne coûte rien ; réponds encore.
it is: C’est {answer}.
go on: Continuer
choice named: {letter}, « {choice} »
choice amid: {letter}, « {choice} »,
quoted: « {text} »
list and: {some} et {last}
list or: {some} ou {last}
is the right: {choice} est la bonne réponse
is a right: {choice} est une bonne réponse
is not right: {choice} n’est pas la bonne réponse
are not all: {choices} ne sont pas exactement toutes les bonnes réponses
are all: {choices} est toute la bonne réponse | {choices} sont toutes les bonnes réponses | {choices} sont toutes les bonnes réponses
are all but: {choices} sont justes à {count} faute de frappe près | {choices} sont justes à {count} de fautes de frappe près | {choices} sont justes à {count} fautes de frappe près
typed right: « {typed} » est la bonne réponse
typed read: « {typed} » est la bonne réponse, lue comme « {answer} »
typed wrong: « {typed} » n’est pas la bonne réponse
typos apart: « {typed} » est à {typos} de « {answer} » ; {allowed}
typos: {count} faute de frappe | {count} de fautes de frappe | {count} fautes de frappe
typos allowed: {count} est permise | {count} sont permises | {count} sont permises
number right: {typed} est la bonne réponse
number near: {typed} est la bonne réponse, à {tolerance} près de {right}
number wrong: {typed} n’est pas la bonne réponse
with how: {why} ; {how}
as thousands: {mark} a été lu comme séparateur de milliers
as decimal: {mark} a été lu comme séparateur décimal
comma: la virgule
point: le point
letter stands: « {letter} » s’y trouve
letter not: « {letter} » ne s’y trouve pas
all found: toutes les lettres sont trouvées
time over: le temps est écoulé
passed why: passé
nothing picked: rien n’a été choisi
no choice: il n’y a pas de choix {number} ; {offer}
offer: les choix vont de A à {letter}
only one: un seul choix est demandé ; choisis-en un
nothing typed: rien n’a été écrit
no word: aucun mot n’a été écrit
nothing to pick: il n’y a rien à choisir ; écris la réponse
no number: « {typed} » n’est pas un nombre
names none: « {typed} » ne désigne aucun choix ; {offer}
could be: « {typed} » pourrait être {letters} ; choisis
too long: la réponse a {count} signes ; on en lit {most} au plus
too long a word: la réponse est trop longue pour être le mot
not taken: Non pris en compte : {why}.
before begun: la partie n’a pas commencé
waits: une question attend sa réponse
feedback shown: le résultat est affiché
after the end: la partie est finie
other question: c’était pour la question {number} de la partie, qui est passée
no round: il n’y a pas de telle manche
round played: cette manche a déjà été jouée
number set: le nombre de questions est fixé
unless so many: il faut de 1 à {most} questions
no letters: la question n’est pas un mot à trouver
one letter: il faut une seule lettre ou un seul chiffre
letter tried: « {letter} » a déjà été essayée
no hints: cette manche ne donne pas d’indices
has no hint: la question n’a pas d’indice
hint shown: l’indice est déjà affiché
no passing: dans cette manche on ne passe pas
no end here: la partie finit d’elle-même, ou aucune fin ne convient encore
not yet: cela continue dans {count} ms
the end: Fin
given up: Abandon
badge rosette: cocarde
badge marrow: courge
badge basket: panier
badge sprout: pousse
badge trowel: truelle
badge slug: limace
points: {count} point | {count} de points | {count} points
so many right: {right} justes sur {asked}, {percent} %
play again: Rejouer
share: Partager le résultat
shared: Le résultat est copié.
share words: {title} : {ending}, {points}
best so far: C’est le meilleur résultat jusqu’ici.
best scores: Meilleurs résultats
lowest scores: Meilleurs résultats, le plus bas d’abord
fastest runs: Parties les plus rapides
your scores: Tes résultats
when: Quand
ending: Fin
time: Temps
just now: à l’instant
minutes ago: il y a {count} minute | il y a {count} de minutes | il y a {count} minutes
hours ago: il y a {count} heure | il y a {count} d’heures | il y a {count} heures
days ago: il y a {count} jour | il y a {count} de jours | il y a {count} jours
your answers: Tes réponses
no answer: pas de réponse
as right: juste
as close: presque, accepté
as wrong: faux
as late: trop tard
as passed: passé
remark: Une remarque pour la personne qui a fait le jeu
send remark: Envoyer
thanks: Merci : ta remarque est conservée avec cette partie.
this run: Cette partie
stop here: S’arrêter ici
begin anew: Recommencer
other names: D’autres noms
leave: Quitter le jeu
older version: Le jeu a changé depuis le début de cette partie ; elle continue comme elle a commencé.
settings: Réglages
mute: Muet
sound is on: Le son est activé
no music: Sans musique
light as the device: Aspect : clair ou sombre, comme l’appareil
light: Aspect : clair
dark: Aspect : sombre
larger text: Texte plus grand
connection lost: La connexion est perdue. Ce que tu as fait sera envoyé dès qu’elle revient.
in the queue: Beaucoup de monde joue en ce moment. Ton tour viendra tout seul.
is gone: Ceci n’est plus là.
too often: C’était trop souvent. Attends un moment et réessaie.
moved on: La partie a continué ailleurs ; voici où elle en est.
not playable: Ce jeu ne peut pas être joué pour l’instant. Il y a quelque chose à y réparer.
trouble: Quelque chose n’a pas marché. Réessaie.
try again: Réessayer
kept here: Ce que vous faites reste sur cet appareil : le nom que vous donnez, vos réponses et leur heure.
save answers: Enregistrer les réponses dans un fichier
from disk: Les navigateurs ne jouent pas ceci directement depuis un disque. Dans le dossier, tapez {command} et ouvrez {address}.
true: vrai
false: faux
sort prompt: Où va « {item} » ?
odd prompt: Lequel n’a rien à faire là ?
press enter: Appuie sur Entrée pour commencer.
type round: Écris le numéro d’une manche.
enter takes: Entrée prend {count}.
such as: Toutes les bonnes sont demandées, par exemple A, C.
enter goes on: Entrée pour continuer
wait: attends
key hint: /indice
key pass: /passer
key quit: /fin
"""
