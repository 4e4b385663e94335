"""Italian. Made from translations/it.po."""

LINES = """
untitled: Un gioco senza titolo
your name: Il tuo nome
name of player: Nome del giocatore {number}
another player: Un altro giocatore
to the table: A tavola
player: Giocatore
player numbered: Giocatore {number}
kept of you: Si conserva per chi ha fatto questo gioco: il nome che dai, le tue risposte e quando le hai date. Chi l’ha fatto può cancellare tutto per sempre.
laying: Si apparecchia…
begin: Comincia
questions: {count} domanda | {count} di domande | {count} domande
how many: Quante domande, da 1 a {most}?
rounds: Turni di gioco
played: giocato
sound with a press: Il suono comincia quando premi qualcosa.
question number: Domanda {number}
question of: Domanda {number} di {count}
question up to: Domanda {number} di {count} al massimo
has the turn: è di turno
is out: è fuori
score: Punti
lives: Vite
clock of the question: Tempo della domanda
clock of the round: Tempo del turno
clock of the game: Tempo del gioco
of the question: domanda
of the round: turno
of the game: gioco
seconds: {count} s
seconds left: ancora {count} secondo | ancora {count} di secondi | ancora {count} secondi
tries left: Tentativi rimasti: {count}.
misses left: Ancora {count} errore. | Ancora {count} di errori. | Ancora {count} errori.
pick all: Scegli tutte quelle giuste, poi rispondi.
answer with: Rispondi con {count} scelta | Rispondi con {count} di scelte | Rispondi con {count} scelte
answer: Rispondi
type answer: Scrivi la tua risposta
or type: O scrivi la tua risposta
or say: O di’ tutto insieme
hint: Indizio
hint is: Indizio: {hint}
pass: Passa
letters: Lettere
tried: {sign}, già provata
blank: vuoto
picked: scelta
right answer: risposta giusta
your answer: la tua risposta
picture of the question: L’immagine di cui parla questa domanda
sound of the question: il suono di cui parla questa domanda
picture choice: Immagine {letter}
sound choice: Suono {letter}
hear it: Ascolta
stop it: Ferma
sound is off: Il suono è spento.
cannot hear: Questo suono non si può sentire qui.
read out: Leggi ad alta voce
no voice: Su questo dispositivo non c’è una voce che legga.
right: Giusto.
close: Quasi, e vale.
wrong: Stavolta no.
late: Troppo tardi.
was passed: Passata.
hit: Sì.
miss: No.
unreadable: Non si riesce a leggere: {why}. Non costa nulla; rispondi di nuovo.
it is: È {answer}.
go on: Avanti
choice named: {letter}, «{choice}»
choice amid: {letter}, «{choice}»,
quoted: «{text}»
list and: {some} e {last}
list or: {some} o {last}
is the right: {choice} è la risposta giusta
is a right: {choice} è una risposta giusta
is not right: {choice} non è la risposta giusta
are not all: {choices} non sono proprio tutte le risposte giuste
are all: {choices} è tutta la risposta giusta | {choices} sono tutte le risposte giuste | {choices} sono tutte le risposte giuste
are all but: {choices} sono giuste a meno di {count} errore di battitura | {choices} sono giuste a meno di {count} di errori di battitura | {choices} sono giuste a meno di {count} errori di battitura
typed right: «{typed}» è la risposta giusta
typed read: «{typed}» è la risposta giusta, letta come «{answer}»
typed wrong: «{typed}» non è la risposta giusta
typos apart: «{typed}» è a {typos} da «{answer}»; {allowed}
typos: un errore di battitura | {count} di errori di battitura | {count} errori di battitura
typos allowed: ne è permesso uno | ne sono permessi {count} | ne sono permessi {count}
number right: {typed} è la risposta giusta
number near: {typed} è la risposta giusta, entro {tolerance} da {right}
number wrong: {typed} non è la risposta giusta
with how: {why}; {how}
as thousands: {mark} è stato letto come separatore delle migliaia
as decimal: {mark} è stato letto come separatore decimale
comma: la virgola
point: il punto
letter stands: «{letter}» c’è
letter not: «{letter}» non c’è
all found: tutte le lettere sono trovate
time over: il tempo è scaduto
passed why: passata
nothing picked: non è stato scelto nulla
no choice: non c’è la scelta {number}; {offer}
offer: le scelte vanno da A a {letter}
only one: si vuole una sola scelta; scegline una
nothing typed: non è stato scritto nulla
no word: non è stata scritta nessuna parola
nothing to pick: non c’è nulla da scegliere; scrivi la risposta
no number: «{typed}» non è un numero
names none: «{typed}» non è nessuna delle scelte; {offer}
could be: «{typed}» potrebbe essere {letters}; scegli
too long: la risposta ha {count} segni; se ne leggono al più {most}
too long a word: la risposta è troppo lunga per essere la parola
not taken: Non accettato: {why}.
before begun: la partita non è cominciata
waits: una domanda aspetta la sua risposta
feedback shown: si sta mostrando l’esito
after the end: la partita è finita
other question: era per la domanda {number} della partita, che è passata
no round: non c’è un turno simile da scegliere
round played: quel turno è già stato giocato
number set: il numero di domande è fissato
unless so many: possono essere da 1 a {most} domande
no letters: la domanda non è una parola da trovare
one letter: deve essere una lettera o una cifra
letter tried: «{letter}» è già stata provata
no hints: questo turno non dà indizi
has no hint: la domanda non ha indizi
hint shown: l’indizio è già in vista
no passing: in questo turno non si passa
no end here: la partita finisce da sé, o non c’è ancora un finale per lei
not yet: si continua fra {count} ms
the end: Fine
given up: Abbandonata
badge rosette: coccarda
badge marrow: zucca
badge basket: cesto
badge sprout: germoglio
badge trowel: paletta
badge slug: lumaca
points: {count} punto | {count} di punti | {count} punti
so many right: {right} giuste su {asked}, {percent} %
play again: Gioca ancora
share: Condividi il risultato
shared: Il risultato è copiato.
share words: {title}: {ending}, {points}
best so far: È il migliore finora.
best scores: Risultati migliori
lowest scores: Risultati migliori, dal più basso
fastest runs: Partite più veloci
your scores: I tuoi risultati
when: Quando
ending: Finale
time: Tempo
just now: proprio ora
minutes ago: {count} minuto fa | {count} di minuti fa | {count} minuti fa
hours ago: {count} ora fa | {count} di ore fa | {count} ore fa
days ago: {count} giorno fa | {count} di giorni fa | {count} giorni fa
your answers: Le tue risposte
no answer: nessuna risposta
as right: giusta
as close: quasi, vale
as wrong: sbagliata
as late: troppo tardi
as passed: passata
remark: Un’osservazione per chi ha fatto il gioco
send remark: Invia
thanks: Grazie: la tua osservazione è conservata con questa partita.
this run: Questa partita
stop here: Fermati qui
begin anew: Ricomincia
other names: Altri nomi
leave: Lascia il gioco
older version: Il gioco è cambiato da quando è iniziata questa partita; prosegue com’è iniziata.
settings: Impostazioni
mute: Muto
sound is on: Il suono è acceso
no music: Senza musica
light as the device: Aspetto: chiaro o scuro, come il dispositivo
light: Aspetto: chiaro
dark: Aspetto: scuro
larger text: Testo più grande
connection lost: La connessione è caduta. Quello che hai fatto sarà inviato appena torna.
in the queue: In questo momento giocano in moltissimi. Il tuo turno arriva da solo.
is gone: Qui non c’è più.
too often: Troppo spesso. Aspetta un momento e riprova.
moved on: La partita è andata avanti altrove; ecco com’è ora.
not playable: Ora non si può giocare a questo gioco. C’è qualcosa da sistemare.
trouble: Qualcosa è andato storto. Riprova.
try again: Riprova
kept here: Quello che fai resta su questo dispositivo: il nome che dai, le tue risposte e quando le hai date.
save answers: Salva le risposte in un file
from disk: I browser non giocano questo direttamente da un disco. Nella cartella, scrivi {command} e apri {address}.
true: vero
false: falso
sort prompt: Dove va «{item}»?
odd prompt: Quale non c’entra?
press enter: Premi Invio per cominciare.
type round: Scrivi il numero di un turno.
enter takes: Invio prende {count}.
such as: Si vogliono tutte quelle giuste, per esempio A, C.
enter goes on: Invio per continuare
wait: aspetta
key hint: /indizio
key pass: /passa
key quit: /fine
"""
