"""Polish. Made from translations/pl.po."""

LINES = """
untitled: Gra bez tytułu
your name: Twoje imię
name of player: Imię gracza {number}
another player: Jeszcze jeden gracz
to the table: Do stołu
player: Gracz
player numbered: Gracz {number}
kept of you: Dla twórcy tej gry zachowuje się: podane imię, twoje odpowiedzi i czas ich udzielenia. Twórca może to wszystko usunąć na zawsze.
laying: Nakrywamy do stołu…
begin: Zaczynamy
questions: {count} pytanie | {count} pytania | {count} pytań | {count} pytania
how many: Ile pytań, od 1 do {most}?
rounds: Rundy
played: zagrana
sound with a press: Dźwięk zacznie się, gdy coś naciśniesz.
question number: Pytanie {number}
question of: Pytanie {number} z {count}
question up to: Pytanie {number} z najwyżej {count}
has the turn: teraz gra
is out: poza grą
score: Punkty
lives: Życia
clock of the question: Czas pytania
clock of the round: Czas rundy
clock of the game: Czas gry
of the question: pytanie
of the round: runda
of the game: gra
seconds: {count} s
seconds left: została {count} sekunda | zostały {count} sekundy | zostało {count} sekund | zostało {count} sekundy
tries left: Pozostałe próby: {count}.
misses left: Został {count} błąd. | Zostały {count} błędy. | Zostało {count} błędów. | Zostało {count} błędu.
pick all: Wybierz wszystkie poprawne, potem odpowiedz.
answer with: Odpowiedz: {count} wybór | Odpowiedz: {count} wybory | Odpowiedz: {count} wyborów | Odpowiedz: {count} wyboru
answer: Odpowiedz
type answer: Wpisz odpowiedź
or type: Albo wpisz odpowiedź
or say: Albo podaj całość
hint: Podpowiedź
hint is: Podpowiedź: {hint}
pass: Pas
letters: Litery
tried: {sign}, już była
blank: puste
picked: wybrane
right answer: poprawna odpowiedź
your answer: twoja odpowiedź
picture of the question: Obrazek, o który chodzi w pytaniu
sound of the question: dźwięk, o który chodzi w pytaniu
picture choice: Obrazek {letter}
sound choice: Dźwięk {letter}
hear it: Posłuchaj
stop it: Zatrzymaj
sound is off: Dźwięk jest wyłączony.
cannot hear: Tego dźwięku nie da się tu odtworzyć.
read out: Przeczytaj na głos
no voice: To urządzenie nie ma głosu, który by to przeczytał.
right: Dobrze.
close: Prawie, i to wystarczy.
wrong: Tym razem nie.
late: Za późno.
was passed: Pas.
hit: Tak.
miss: Nie.
unreadable: Nie udało się tego odczytać: {why}. To nic nie kosztuje; odpowiedz jeszcze raz.
it is: To {answer}.
go on: Dalej
choice named: {letter}, „{choice}”
choice amid: {letter}, „{choice}”,
quoted: „{text}”
list and: {some} i {last}
list or: {some} albo {last}
is the right: {choice} to poprawna odpowiedź
is a right: {choice} to jedna z poprawnych odpowiedzi
is not right: {choice} to nie jest poprawna odpowiedź
are not all: {choices} to nie są dokładnie wszystkie poprawne odpowiedzi
are all: {choices} to cała poprawna odpowiedź | {choices} to wszystkie poprawne odpowiedzi | {choices} to wszystkie poprawne odpowiedzi | {choices} to wszystkie poprawne odpowiedzi
are all but: {choices} są poprawne, z {count} literówką | {choices} są poprawne, z {count} literówkami | {choices} są poprawne, z {count} literówkami | {choices} są poprawne, z {count} literówki
typed right: „{typed}” to poprawna odpowiedź
typed read: „{typed}” to poprawna odpowiedź, odczytana jako „{answer}”
typed wrong: „{typed}” to nie jest poprawna odpowiedź
typos apart: „{typed}” różni się od „{answer}” o {typos}; {allowed}
typos: jedną literówkę | {count} literówki | {count} literówek | {count} literówki
typos allowed: dozwolona jest jedna | dozwolone są {count} | dozwolonych jest {count} | dozwolone jest {count}
number right: {typed} to poprawna odpowiedź
number near: {typed} to poprawna odpowiedź, najwyżej {tolerance} od {right}
number wrong: {typed} to nie jest poprawna odpowiedź
with how: {why}; {how}
as thousands: {mark} odczytano jako znak tysięcy
as decimal: {mark} odczytano jako znak dziesiętny
comma: przecinek
point: kropkę
letter stands: „{letter}” tu jest
letter not: „{letter}” tu nie ma
all found: wszystkie litery są znalezione
time over: czas minął
passed why: pas
nothing picked: nic nie wybrano
no choice: nie ma wyboru {number}; {offer}
offer: do wyboru są A do {letter}
only one: potrzebny jest jeden wybór; wybierz jeden
nothing typed: nic nie wpisano
no word: nie wpisano słowa
nothing to pick: nie ma z czego wybierać; wpisz odpowiedź
no number: „{typed}” to nie liczba
names none: „{typed}” nie jest żadnym z wyborów; {offer}
could be: „{typed}” to może być {letters}; wybierz jedno
too long: odpowiedź ma znaków: {count}; czyta się najwyżej {most}
too long a word: odpowiedź jest za długa na to słowo
not taken: Nie przyjęto: {why}.
before begun: gra się jeszcze nie zaczęła
waits: pytanie czeka na odpowiedź
feedback shown: właśnie widać wynik odpowiedzi
after the end: gra się skończyła
other question: to było do pytania {number} tej gry, a ono już minęło
no round: nie ma takiej rundy do wyboru
round played: ta runda jest już zagrana
number set: liczba pytań jest ustalona
unless so many: pytań może być od 1 do {most}
no letters: w tym pytaniu nie szuka się słowa
one letter: potrzebna jest jedna litera albo cyfra
letter tried: „{letter}” już była
no hints: w tej rundzie nie ma podpowiedzi
has no hint: to pytanie nie ma podpowiedzi
hint shown: podpowiedź już widać
no passing: w tej rundzie nie można pasować
no end here: gra kończy się sama albo żadne zakończenie jeszcze nie pasuje
not yet: gra ruszy dalej za {count} ms
the end: Koniec
given up: Gra przerwana
badge rosette: rozeta
badge marrow: kabaczek
badge basket: kosz
badge sprout: kiełek
badge trowel: łopatka
badge slug: ślimak
points: {count} punkt | {count} punkty | {count} punktów | {count} punktu
so many right: poprawne: {right} z {asked}, {percent} %
play again: Zagraj jeszcze raz
share: Podziel się wynikiem
shared: Wynik jest skopiowany.
share words: {title}: {ending}, {points}
best so far: To najlepszy wynik jak dotąd.
best scores: Najlepsze wyniki
lowest scores: Najlepsze wyniki, od najniższego
fastest runs: Najszybsze gry
your scores: Twoje wyniki
when: Kiedy
ending: Zakończenie
time: Czas
just now: przed chwilą
minutes ago: {count} minutę temu | {count} minuty temu | {count} minut temu | {count} minuty temu
hours ago: {count} godzinę temu | {count} godziny temu | {count} godzin temu | {count} godziny temu
days ago: {count} dzień temu | {count} dni temu | {count} dni temu | {count} dnia temu
your answers: Twoje odpowiedzi
no answer: brak odpowiedzi
as right: dobrze
as close: prawie, wystarczy
as wrong: źle
as late: za późno
as passed: pas
remark: Uwaga dla twórcy gry
send remark: Wyślij
thanks: Dziękujemy: twoja uwaga jest zachowana razem z tą grą.
this run: Ta gra
stop here: Zakończ tutaj
begin anew: Zacznij od nowa
other names: Inne imiona
leave: Opuść grę
older version: Gra została zmieniona, odkąd zaczęto tę rozgrywkę; toczy się ona tak, jak się zaczęła.
settings: Ustawienia
mute: Wycisz
sound is on: Dźwięk jest włączony
no music: Bez muzyki
light as the device: Wygląd: jasny albo ciemny, jak urządzenie
light: Wygląd: jasny
dark: Wygląd: ciemny
larger text: Większy tekst
connection lost: Połączenie zostało przerwane. To, co zrobiono, zostanie wysłane, gdy wróci.
in the queue: Teraz gra bardzo wiele osób. Twoja kolej przyjdzie sama.
is gone: Tego już tu nie ma.
too often: To było za często. Poczekaj chwilę i spróbuj ponownie.
moved on: Gra potoczyła się dalej gdzie indziej; teraz stoi tak.
not playable: W tę grę nie można teraz zagrać. Jest w niej coś do naprawienia.
trouble: Coś poszło nie tak. Spróbuj ponownie.
try again: Spróbuj ponownie
kept here: To, co robisz, zostaje na tym urządzeniu: podane imię, odpowiedzi i ich czas.
save answers: Zapisz odpowiedzi do pliku
from disk: Przeglądarki nie uruchomią tego prosto z dysku. W folderze wpisz {command} i otwórz {address}.
true: prawda
false: fałsz
sort prompt: Gdzie należy „{item}”?
odd prompt: Co tu nie pasuje?
press enter: Naciśnij Enter, żeby zacząć.
type round: Wpisz numer rundy.
enter takes: Enter przyjmuje {count}.
such as: Potrzebne są wszystkie poprawne, na przykład A, C.
enter goes on: Enter, żeby przejść dalej
wait: czekaj
key hint: /podpowiedz
key pass: /pas
key quit: /koniec
"""
