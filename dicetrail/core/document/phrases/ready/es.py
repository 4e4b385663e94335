"""Spanish. Made from translations/es.po."""

LINES = """
untitled: Un juego sin título
your name: Tu nombre
name of player: Nombre del jugador {number}
another player: Otro jugador
to the table: A la mesa
player: Jugador
player numbered: Jugador {number}
kept of you: Se guarda para quien hizo este juego: el nombre que das, tus respuestas y cuándo las diste. Esa persona puede borrarlo todo para siempre.
laying: Poniendo la mesa…
begin: Empezar
questions: {count} pregunta | {count} de preguntas | {count} preguntas
how many: ¿Cuántas preguntas, de 1 a {most}?
rounds: Rondas
played: jugada
sound with a press: El sonido empieza cuando pulses algo.
question number: Pregunta {number}
question of: Pregunta {number} de {count}
question up to: Pregunta {number} de {count} como mucho
has the turn: tiene el turno
is out: está fuera
score: Puntos
lives: Vidas
clock of the question: Tiempo de la pregunta
clock of the round: Tiempo de la ronda
clock of the game: Tiempo del juego
of the question: pregunta
of the round: ronda
of the game: juego
seconds: {count} s
seconds left: queda {count} segundo | quedan {count} de segundos | quedan {count} segundos
tries left: Intentos que quedan: {count}.
misses left: Queda {count} fallo. | Quedan {count} de fallos. | Quedan {count} fallos.
pick all: Elige todas las correctas y luego responde.
answer with: Responder con {count} opción | Responder con {count} de opciones | Responder con {count} opciones
answer: Responder
type answer: Escribe tu respuesta
or type: O escribe tu respuesta
or say: O di todo de una vez
hint: Pista
hint is: Pista: {hint}
pass: Pasar
letters: Letras
tried: {sign}, ya probada
blank: vacío
picked: elegida
right answer: respuesta correcta
your answer: tu respuesta
picture of the question: La imagen de la que trata esta pregunta
sound of the question: el sonido del que trata esta pregunta
picture choice: Imagen {letter}
sound choice: Sonido {letter}
hear it: Escuchar
stop it: Parar
sound is off: El sonido está apagado.
cannot hear: Este sonido no se puede reproducir aquí.
read out: Leer en voz alta
no voice: En este aparato no hay una voz que lo lea.
right: ¡Correcto!
close: Casi, y vale.
wrong: Esta vez no.
late: Demasiado tarde.
was passed: Pasada.
hit: Sí.
miss: No.
unreadable: No se pudo leer: {why}. No cuesta nada; responde otra vez.
it is: Es {answer}.
go on: Seguir
choice named: {letter}, «{choice}»
choice amid: {letter}, «{choice}»,
quoted: «{text}»
list and: {some} y {last}
list or: {some} o {last}
is the right: {choice} es la respuesta correcta
is a right: {choice} es una respuesta correcta
is not right: {choice} no es la respuesta correcta
are not all: {choices} no son justo todas las respuestas correctas
are all: {choices} es toda la respuesta correcta | {choices} son todas las respuestas correctas | {choices} son todas las respuestas correctas
are all but: {choices} son correctas salvo {count} errata | {choices} son correctas salvo {count} de erratas | {choices} son correctas salvo {count} erratas
typed right: «{typed}» es la respuesta correcta
typed read: «{typed}» es la respuesta correcta, leída como «{answer}»
typed wrong: «{typed}» no es la respuesta correcta
typos apart: «{typed}» está a {typos} de «{answer}»; {allowed}
typos: una errata | {count} de erratas | {count} erratas
typos allowed: se permite una | se permiten {count} | se permiten {count}
number right: {typed} es la respuesta correcta
number near: {typed} es la respuesta correcta, a {tolerance} o menos de {right}
number wrong: {typed} no es la respuesta correcta
with how: {why}; {how}
as thousands: {mark} se leyó como separador de miles
as decimal: {mark} se leyó como separador decimal
comma: la coma
point: el punto
letter stands: «{letter}» está en la palabra
letter not: «{letter}» no está en la palabra
all found: están todas las letras
time over: se acabó el tiempo
passed why: pasada
nothing picked: no se eligió nada
no choice: no hay opción {number}; {offer}
offer: las opciones van de A a {letter}
only one: solo se pide una opción; elige una
nothing typed: no se escribió nada
no word: no se escribió ninguna palabra
nothing to pick: no hay nada que elegir; escribe la respuesta
no number: «{typed}» no es un número
names none: «{typed}» no nombra ninguna opción; {offer}
could be: «{typed}» podría ser {letters}; elige una
too long: la respuesta tiene {count} signos; se leen {most} como mucho
too long a word: la respuesta es demasiado larga para ser la palabra
not taken: No se tomó: {why}.
before begun: la partida no ha empezado
waits: una pregunta espera su respuesta
feedback shown: se está mostrando el resultado
after the end: la partida ha terminado
other question: era para la pregunta {number} de la partida, que ya pasó
no round: no hay tal ronda para elegir
round played: esa ronda ya se jugó
number set: el número de preguntas está fijado
unless so many: pueden ser de 1 a {most} preguntas
no letters: la pregunta no es una palabra por encontrar
one letter: tiene que ser una letra o una cifra
letter tried: «{letter}» ya se probó
no hints: esta ronda no da pistas
has no hint: la pregunta no tiene pista
hint shown: la pista ya está a la vista
no passing: en esta ronda no se puede pasar
no end here: la partida termina sola, o todavía no hay final para ella
not yet: sigue dentro de {count} ms
the end: Fin
given up: Abandonada
badge rosette: escarapela
badge marrow: calabacín
badge basket: cesta
badge sprout: brote
badge trowel: paleta
badge slug: babosa
points: {count} punto | {count} de puntos | {count} puntos
so many right: {right} de {asked} correctas, {percent} %
play again: Jugar otra vez
share: Compartir el resultado
shared: El resultado está copiado.
share words: {title}: {ending}, {points}
best so far: Es lo mejor hasta ahora.
best scores: Mejores resultados
lowest scores: Mejores resultados, el más bajo primero
fastest runs: Partidas más rápidas
your scores: Tus resultados
when: Cuándo
ending: Final
time: Tiempo
just now: ahora mismo
minutes ago: hace {count} minuto | hace {count} de minutos | hace {count} minutos
hours ago: hace {count} hora | hace {count} de horas | hace {count} horas
days ago: hace {count} día | hace {count} de días | hace {count} días
your answers: Tus respuestas
no answer: sin respuesta
as right: correcta
as close: casi, vale
as wrong: incorrecta
as late: demasiado tarde
as passed: pasada
remark: Un comentario para quien hizo el juego
send remark: Enviar
thanks: Gracias: tu comentario se guarda con esta partida.
this run: Esta partida
stop here: Terminar aquí
begin anew: Empezar de nuevo
other names: Otros nombres
leave: Dejar el juego
older version: El juego ha cambiado desde que empezó esta partida; sigue tal como empezó.
settings: Ajustes
mute: Silencio
sound is on: El sonido está encendido
no music: Sin música
light as the device: Aspecto: claro u oscuro, como el aparato
light: Aspecto: claro
dark: Aspecto: oscuro
larger text: Letra más grande
connection lost: Se perdió la conexión. Lo que hiciste se enviará en cuanto vuelva.
in the queue: Ahora mismo juega muchísima gente. Tu turno llega solo.
is gone: Esto ya no está aquí.
too often: Fue demasiado seguido. Espera un momento y prueba otra vez.
moved on: La partida siguió en otro sitio; así está ahora.
not playable: Este juego no se puede jugar ahora. Hay algo que arreglar en él.
trouble: Algo salió mal. Prueba otra vez.
try again: Intentar de nuevo
kept here: Lo que haces queda en este dispositivo: el nombre que das, tus respuestas y cuándo las diste.
save answers: Guardar las respuestas en un archivo
from disk: Los navegadores no juegan esto directamente desde un disco. En la carpeta, escribe {command} y abre {address}.
true: verdadero
false: falso
sort prompt: ¿Dónde va «{item}»?
odd prompt: ¿Cuál no pertenece al grupo?
press enter: Pulsa Intro para empezar.
type round: Escribe el número de una ronda.
enter takes: Intro toma {count}.
such as: Se piden todas las correctas, por ejemplo A, C.
enter goes on: Intro para seguir
wait: espera
key hint: /pista
key pass: /pasar
key quit: /fin
"""
