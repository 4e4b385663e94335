"""German. Made from translations/de.po."""

LINES = """
untitled: Ein Spiel ohne Titel
your name: Dein Name
name of player: Name von Spieler {number}
another player: Noch jemand spielt mit
to the table: An den Tisch
player: Spieler
player numbered: Spieler {number}
kept of you: Aufbewahrt wird für die Person, die dieses Spiel gemacht hat: der Name, den du angibst, deine Antworten und wann du sie gegeben hast. Sie kann das alles endgültig löschen.
laying: Der Tisch wird gedeckt …
begin: Los geht’s
questions: {count} Frage | {count} Fragen
how many: Wie viele Fragen, 1 bis {most}?
rounds: Runden
played: gespielt
sound with a press: Der Ton beginnt, sobald du etwas drückst.
question number: Frage {number}
question of: Frage {number} von {count}
question up to: Frage {number} von höchstens {count}
has the turn: ist dran
is out: ist draußen
score: Punkte
lives: Leben
clock of the question: Uhr der Frage
clock of the round: Uhr der Runde
clock of the game: Uhr des Spiels
of the question: Frage
of the round: Runde
of the game: Spiel
seconds: {count} s
seconds left: noch {count} Sekunde | noch {count} Sekunden
tries left: Versuche übrig: {count}.
misses left: Noch {count} Fehlgriff. | Noch {count} Fehlgriffe.
pick all: Wähle alle richtigen und antworte dann.
answer with: Mit {count} Wahl antworten | Mit {count} Wahlen antworten
answer: Antworten
type answer: Tippe deine Antwort
or type: Oder tippe deine Antwort
or say: Oder sag das Ganze
hint: Hinweis
hint is: Hinweis: {hint}
pass: Passen
letters: Buchstaben
tried: {sign}, schon versucht
blank: leer
picked: gewählt
right answer: richtige Antwort
your answer: deine Antwort
picture of the question: Das Bild, um das es in dieser Frage geht
sound of the question: der Klang, um den es in dieser Frage geht
picture choice: Bild {letter}
sound choice: Klang {letter}
hear it: Anhören
stop it: Anhalten
sound is off: Der Ton ist aus.
cannot hear: Dieser Klang lässt sich hier nicht abspielen.
read out: Vorlesen
no voice: Auf diesem Gerät gibt es keine Stimme, die vorliest.
right: Richtig.
close: Nah genug.
wrong: Diesmal nicht.
late: Zu spät.
was passed: Gepasst.
hit: Ja.
miss: Nein.
unreadable: Das war nicht zu lesen: {why}. Es kostet nichts; antworte noch einmal.
it is: Es ist {answer}.
go on: Weiter
choice named: {letter}, „{choice}“
choice amid: {letter}, „{choice}“,
quoted: „{text}“
list and: {some} und {last}
list or: {some} oder {last}
is the right: {choice} ist die richtige Antwort
is a right: {choice} ist eine richtige Antwort
is not right: {choice} ist nicht die richtige Antwort
are not all: {choices} sind nicht genau alle richtigen Antworten
are all: {choices} ist die ganze richtige Antwort | {choices} sind alle richtigen Antworten
are all but: {choices} sind richtig bis auf {count} Tippfehler | {choices} sind richtig bis auf {count} Tippfehler
typed right: „{typed}“ ist die richtige Antwort
typed read: „{typed}“ ist die richtige Antwort, gelesen als „{answer}“
typed wrong: „{typed}“ ist nicht die richtige Antwort
typos apart: „{typed}“ ist {typos} von „{answer}“ entfernt; {allowed}
typos: einen Tippfehler | {count} Tippfehler
typos allowed: einer ist erlaubt | {count} sind erlaubt
number right: {typed} ist die richtige Antwort
number near: {typed} ist die richtige Antwort, höchstens {tolerance} neben {right}
number wrong: {typed} ist nicht die richtige Antwort
with how: {why}; {how}
as thousands: {mark} wurde als Tausenderzeichen gelesen
as decimal: {mark} wurde als Dezimalzeichen gelesen
comma: das Komma
point: der Punkt
letter stands: „{letter}“ kommt darin vor
letter not: „{letter}“ kommt darin nicht vor
all found: alle Buchstaben sind gefunden
time over: die Zeit ist um
passed why: gepasst
nothing picked: es wurde nichts gewählt
no choice: es gibt keine Wahl {number}; {offer}
offer: zur Wahl stehen A bis {letter}
only one: nur eine Antwort ist gefragt; wähle eine
nothing typed: es wurde nichts getippt
no word: es wurde kein Wort getippt
nothing to pick: hier gibt es nichts zu wählen; tippe die Antwort
no number: „{typed}“ ist keine Zahl
names none: „{typed}“ nennt nichts, was zur Wahl steht; {offer}
could be: „{typed}“ könnte {letters} sein; wähle eins
too long: die Antwort hat {count} Zeichen; höchstens {most} werden gelesen
too long a word: die Antwort ist zu lang, um das Wort zu sein
not taken: Nicht angenommen: {why}.
before begun: das Spiel hat noch nicht begonnen
waits: eine Frage wartet auf ihre Antwort
feedback shown: die Rückmeldung wird gerade gezeigt
after the end: das Spiel ist zu Ende
other question: es galt Frage {number} des Spiels, und die ist vorbei
no round: so eine Runde steht nicht zur Wahl
round played: diese Runde ist schon gespielt
number set: die Zahl der Fragen steht fest
unless so many: es können 1 bis {most} Fragen sein
no letters: bei dieser Frage ist kein Wort zu finden
one letter: es muss ein Buchstabe oder eine Ziffer sein
letter tried: „{letter}“ wurde schon versucht
no hints: in dieser Runde gibt es keine Hinweise
has no hint: zu dieser Frage gibt es keinen Hinweis
hint shown: der Hinweis steht schon da
no passing: in dieser Runde kann man nicht passen
no end here: das Spiel endet von selbst, oder noch passt kein Ausgang
not yet: es geht erst in {count} ms weiter
the end: Ende
given up: Aufgegeben
badge rosette: Rosette
badge marrow: Kürbis
badge basket: Korb
badge sprout: Spross
badge trowel: Pflanzkelle
badge slug: Schnecke
points: {count} Punkt | {count} Punkte
so many right: {right} von {asked} richtig, {percent} %
play again: Noch einmal spielen
share: Ergebnis teilen
shared: Das Ergebnis ist kopiert.
share words: {title}: {ending}, {points}
best so far: Das ist das Beste bisher.
best scores: Die besten Ergebnisse
lowest scores: Die besten Ergebnisse, das niedrigste zuerst
fastest runs: Die schnellsten Spiele
your scores: Deine Ergebnisse
when: Wann
ending: Ausgang
time: Zeit
just now: gerade eben
minutes ago: vor {count} Minute | vor {count} Minuten
hours ago: vor {count} Stunde | vor {count} Stunden
days ago: vor {count} Tag | vor {count} Tagen
your answers: Deine Antworten
no answer: keine Antwort
as right: richtig
as close: nah genug
as wrong: falsch
as late: zu spät
as passed: gepasst
remark: Eine Bemerkung an die Person, die das Spiel gemacht hat
send remark: Abschicken
thanks: Danke: Deine Bemerkung wird mit diesem Spiel aufbewahrt.
this run: Dieses Spiel
stop here: Hier aufhören
begin anew: Neu beginnen
other names: Andere Namen
leave: Das Spiel verlassen
older version: Das Spiel wurde geändert, seit du begonnen hast; es geht so weiter, wie es begann.
settings: Einstellungen
mute: Stumm
sound is on: Der Ton ist an
no music: Keine Musik
light as the device: Aussehen: hell oder dunkel wie das Gerät
light: Aussehen: hell
dark: Aussehen: dunkel
larger text: Größere Schrift
connection lost: Die Verbindung ist weg. Was du getan hast, wird abgeschickt, sobald sie wieder da ist.
in the queue: Gerade spielen sehr viele. Du kommst von selbst an die Reihe.
is gone: Das gibt es hier nicht mehr.
too often: Das war zu oft. Warte einen Moment und versuch es noch einmal.
moved on: Das Spiel ging anderswo weiter; so steht es jetzt.
not playable: Dieses Spiel lässt sich gerade nicht spielen. Es ist etwas daran zu richten.
trouble: Etwas ist schiefgegangen. Versuch es noch einmal.
try again: Noch einmal versuchen
kept here: Was du tust, bleibt auf diesem Gerät: der Name, den du angibst, deine Antworten und wann du sie gegeben hast.
save answers: Antworten als Datei sichern
from disk: Browser spielen das nicht direkt von der Festplatte. Tippe im Ordner {command} und öffne {address}.
true: richtig
false: falsch
sort prompt: Wohin gehört „{item}“?
odd prompt: Was passt nicht dazu?
press enter: Drück die Eingabetaste, um zu beginnen.
type round: Tippe die Nummer einer Runde.
enter takes: Die Eingabetaste nimmt {count}.
such as: Alle richtigen sind gefragt, etwa A, C.
enter goes on: weiter mit der Eingabetaste
wait: warten
key hint: /hinweis
key pass: /passen
key quit: /ende
"""
