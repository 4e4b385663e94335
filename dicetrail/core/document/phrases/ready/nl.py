"""Dutch. Made from translations/nl.po."""

LINES = """
untitled: Een spel zonder titel
your name: Je naam
name of player: Naam van speler {number}
another player: Nog een speler
to the table: Aan tafel
player: Speler
player numbered: Speler {number}
kept of you: Bewaard voor wie dit spel gemaakt heeft: de naam die je geeft, je antwoorden en wanneer je ze gaf. Die persoon kan alles voorgoed wissen.
laying: De tafel wordt gedekt…
begin: Beginnen
questions: {count} vraag | {count} vragen
how many: Hoeveel vragen, 1 tot {most}?
rounds: Rondes
played: gespeeld
sound with a press: Het geluid begint zodra je ergens op drukt.
question number: Vraag {number}
question of: Vraag {number} van {count}
question up to: Vraag {number} van hooguit {count}
has the turn: is aan de beurt
is out: ligt eruit
score: Punten
lives: Levens
clock of the question: Klok van de vraag
clock of the round: Klok van de ronde
clock of the game: Klok van het spel
of the question: vraag
of the round: ronde
of the game: spel
seconds: {count} s
seconds left: nog {count} seconde | nog {count} seconden
tries left: Pogingen over: {count}.
misses left: Nog {count} misser. | Nog {count} missers.
pick all: Kies alle goede en antwoord dan.
answer with: Antwoord met {count} keuze | Antwoord met {count} keuzes
answer: Antwoord
type answer: Typ je antwoord
or type: Of typ je antwoord
or say: Of zeg het geheel
hint: Hint
hint is: Hint: {hint}
pass: Passen
letters: Letters
tried: {sign}, al geprobeerd
blank: leeg
picked: gekozen
right answer: goed antwoord
your answer: jouw antwoord
picture of the question: Het plaatje waar deze vraag over gaat
sound of the question: het geluid waar deze vraag over gaat
picture choice: Plaatje {letter}
sound choice: Geluid {letter}
hear it: Luisteren
stop it: Stoppen
sound is off: Het geluid staat uit.
cannot hear: Dit geluid kan hier niet worden afgespeeld.
read out: Voorlezen
no voice: Dit apparaat heeft geen stem om het voor te lezen.
right: Goed.
close: Bijna, en het telt.
wrong: Deze keer niet.
late: Te laat.
was passed: Gepast.
hit: Ja.
miss: Nee.
unreadable: Dat was niet te lezen: {why}. Het kost niets; antwoord nog eens.
it is: Het is {answer}.
go on: Verder
choice named: {letter}, ‘{choice}’
choice amid: {letter}, ‘{choice}’,
quoted: ‘{text}’
list and: {some} en {last}
list or: {some} of {last}
is the right: {choice} is het goede antwoord
is a right: {choice} is een goed antwoord
is not right: {choice} is niet het goede antwoord
are not all: {choices} zijn niet precies alle goede antwoorden
are all: {choices} is het hele goede antwoord | {choices} zijn alle goede antwoorden
are all but: {choices} zijn goed op {count} tikfout na | {choices} zijn goed op {count} tikfouten na
typed right: ‘{typed}’ is het goede antwoord
typed read: ‘{typed}’ is het goede antwoord, gelezen als ‘{answer}’
typed wrong: ‘{typed}’ is niet het goede antwoord
typos apart: ‘{typed}’ is {typos} van ‘{answer}’ verwijderd; {allowed}
typos: één tikfout | {count} tikfouten
typos allowed: er mag er één | er mogen er {count}
number right: {typed} is het goede antwoord
number near: {typed} is het goede antwoord, hooguit {tolerance} naast {right}
number wrong: {typed} is niet het goede antwoord
with how: {why}; {how}
as thousands: {mark} is gelezen als duizendtalteken
as decimal: {mark} is gelezen als decimaalteken
comma: de komma
point: de punt
letter stands: ‘{letter}’ komt erin voor
letter not: ‘{letter}’ komt er niet in voor
all found: alle letters zijn gevonden
time over: de tijd is om
passed why: gepast
nothing picked: er is niets gekozen
no choice: er is geen keuze {number}; {offer}
offer: de keuzes zijn A tot en met {letter}
only one: er wordt één keuze gevraagd; kies er een
nothing typed: er is niets getypt
no word: er is geen woord getypt
nothing to pick: er valt niets te kiezen; typ het antwoord
no number: ‘{typed}’ is geen getal
names none: ‘{typed}’ noemt geen keuze; {offer}
could be: ‘{typed}’ kan {letters} zijn; kies er een
too long: het antwoord heeft {count} tekens; er worden er hooguit {most} gelezen
too long a word: het antwoord is te lang om het woord te zijn
not taken: Niet aangenomen: {why}.
before begun: het spel is nog niet begonnen
waits: een vraag wacht op antwoord
feedback shown: de uitslag wordt getoond
after the end: het spel is afgelopen
other question: het was bedoeld voor vraag {number} van het spel, en die is voorbij
no round: zo’n ronde is er niet te kiezen
round played: die ronde is al gespeeld
number set: het aantal vragen staat vast
unless so many: het kunnen 1 tot {most} vragen zijn
no letters: bij deze vraag hoort geen woord om te vinden
one letter: het moet één letter of cijfer zijn
letter tried: ‘{letter}’ is al geprobeerd
no hints: deze ronde geeft geen hints
has no hint: deze vraag heeft geen hint
hint shown: de hint staat er al
no passing: in deze ronde kun je niet passen
no end here: het spel eindigt vanzelf, of er past nog geen einde
not yet: het gaat pas verder over {count} ms
the end: Einde
given up: Opgegeven
badge rosette: rozet
badge marrow: pompoen
badge basket: mand
badge sprout: scheut
badge trowel: schepje
badge slug: naaktslak
points: {count} punt | {count} punten
so many right: {right} van {asked} goed, {percent} %
play again: Nog eens spelen
share: Uitslag delen
shared: De uitslag is gekopieerd.
share words: {title}: {ending}, {points}
best so far: Dit is de beste tot nu toe.
best scores: Beste uitslagen
lowest scores: Beste uitslagen, de laagste eerst
fastest runs: Snelste spellen
your scores: Jouw uitslagen
when: Wanneer
ending: Afloop
time: Tijd
just now: zojuist
minutes ago: {count} minuut geleden | {count} minuten geleden
hours ago: {count} uur geleden | {count} uur geleden
days ago: {count} dag geleden | {count} dagen geleden
your answers: Jouw antwoorden
no answer: geen antwoord
as right: goed
as close: bijna, telt
as wrong: fout
as late: te laat
as passed: gepast
remark: Een opmerking voor de maker
send remark: Versturen
thanks: Bedankt: je opmerking wordt bij dit spel bewaard.
this run: Dit spel
stop here: Hier stoppen
begin anew: Opnieuw beginnen
other names: Andere namen
leave: Het spel verlaten
older version: Het spel is veranderd sinds je begon; het gaat door zoals het begon.
settings: Instellingen
mute: Stil
sound is on: Het geluid staat aan
no music: Geen muziek
light as the device: Uiterlijk: licht of donker, zoals het apparaat
light: Uiterlijk: licht
dark: Uiterlijk: donker
larger text: Grotere tekst
connection lost: De verbinding is weg. Wat je deed wordt verstuurd zodra ze er weer is.
in the queue: Er spelen nu heel veel mensen. Je komt vanzelf aan de beurt.
is gone: Dit is hier niet meer.
too often: Dat was te vaak. Wacht even en probeer het opnieuw.
moved on: Het spel ging ergens anders verder; zo staat het nu.
not playable: Dit spel kan nu niet gespeeld worden. Er is iets aan te herstellen.
trouble: Er ging iets mis. Probeer het opnieuw.
try again: Opnieuw proberen
kept here: Wat je doet blijft op dit apparaat: de naam die je geeft, je antwoorden en wanneer je ze gaf.
save answers: Antwoorden als bestand bewaren
from disk: Browsers spelen dit niet rechtstreeks van een schijf. Typ in de map {command} en open {address}.
true: waar
false: onwaar
sort prompt: Waar hoort ‘{item}’?
odd prompt: Welke hoort er niet bij?
press enter: Druk op Enter om te beginnen.
type round: Typ het nummer van een ronde.
enter takes: Enter neemt {count}.
such as: Alle goede worden gevraagd, bijvoorbeeld A, C.
enter goes on: Enter om verder te gaan
wait: wacht
key hint: /hint
key pass: /pas
key quit: /stop
"""
