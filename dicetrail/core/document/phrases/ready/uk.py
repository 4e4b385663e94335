"""Ukrainian. Made from translations/uk.po."""

LINES = """
untitled: Гра без назви
your name: Твоє ім’я
name of player: Ім’я гравця {number}
another player: Ще один гравець
to the table: До столу
player: Гравець
player numbered: Гравець {number}
kept of you: Для того, хто зробив цю гру, зберігаються: ім’я, яке ти вкажеш, твої відповіді та час, коли ти їх дав чи дала. Усе це можна видалити назавжди.
laying: Накриваємо на стіл…
begin: Почати
questions: {count} запитання | {count} запитання | {count} запитань | {count} запитання
how many: Скільки запитань, від 1 до {most}?
rounds: Раунди
played: зіграно
sound with a press: Звук почнеться, коли ти щось натиснеш.
question number: Запитання {number}
question of: Запитання {number} з {count}
question up to: Запитання {number} щонайбільше з {count}
has the turn: зараз ходить
is out: поза грою
score: Очки
lives: Життя
clock of the question: Час запитання
clock of the round: Час раунду
clock of the game: Час гри
of the question: запитання
of the round: раунд
of the game: гра
seconds: {count} с
seconds left: залишилася {count} секунда | залишилося {count} секунди | залишилося {count} секунд | залишилося {count} секунди
tries left: Залишилося спроб: {count}.
misses left: Залишилася {count} помилка. | Залишилося {count} помилки. | Залишилося {count} помилок. | Залишилося {count} помилки.
pick all: Вибери всі правильні, а тоді відповідай.
answer with: Відповісти: {count} варіант | Відповісти: {count} варіанти | Відповісти: {count} варіантів | Відповісти: {count} варіанта
answer: Відповісти
type answer: Впиши відповідь
or type: Або впиши відповідь
or say: Або скажи все цілком
hint: Підказка
hint is: Підказка: {hint}
pass: Пропустити
letters: Літери
tried: {sign}, вже була
blank: порожньо
picked: вибрано
right answer: правильна відповідь
your answer: твоя відповідь
picture of the question: Зображення, про яке це запитання
sound of the question: звук, про який це запитання
picture choice: Зображення {letter}
sound choice: Звук {letter}
hear it: Послухати
stop it: Зупинити
sound is off: Звук вимкнено.
cannot hear: Цей звук тут не відтворити.
read out: Прочитати вголос
no voice: На цьому пристрої немає голосу, щоб це прочитати.
right: Правильно.
close: Майже, і цього досить.
wrong: Цього разу ні.
late: Запізно.
was passed: Пропущено.
hit: Так.
miss: Ні.
unreadable: Це не вдалося прочитати: {why}. Це нічого не коштує; дай відповідь ще раз.
it is: Це {answer}.
go on: Далі
choice named: {letter}, «{choice}»
choice amid: {letter}, «{choice}»,
quoted: «{text}»
list and: {some} і {last}
list or: {some} або {last}
is the right: {choice} — правильна відповідь
is a right: {choice} — одна з правильних відповідей
is not right: {choice} — неправильна відповідь
are not all: {choices} — не саме всі правильні відповіді
are all: {choices} — уся правильна відповідь | {choices} — усі правильні відповіді | {choices} — усі правильні відповіді | {choices} — усі правильні відповіді
are all but: {choices} — правильно, але є {count} описка | {choices} — правильно, але є {count} описки | {choices} — правильно, але є {count} описок | {choices} — правильно, але є {count} описки
typed right: «{typed}» — правильна відповідь
typed read: «{typed}» — правильна відповідь, прочитана як «{answer}»
typed wrong: «{typed}» — неправильна відповідь
typos apart: «{typed}» відрізняється від «{answer}» на {typos}; {allowed}
typos: {count} описку | {count} описки | {count} описок | {count} описки
typos allowed: дозволено {count} | дозволено {count} | дозволено {count} | дозволено {count}
number right: {typed} — правильна відповідь
number near: {typed} — правильна відповідь, не далі ніж {tolerance} від {right}
number wrong: {typed} — неправильна відповідь
with how: {why}; {how}
as thousands: {mark} прочитано як знак тисяч
as decimal: {mark} прочитано як десятковий знак
comma: кому
point: крапку
letter stands: «{letter}» тут є
letter not: «{letter}» тут немає
all found: усі літери знайдено
time over: час вийшов
passed why: пропущено
nothing picked: нічого не вибрано
no choice: немає варіанта {number}; {offer}
offer: варіанти від A до {letter}
only one: потрібен лише один варіант; вибери один
nothing typed: нічого не вписано
no word: слово не вписано
nothing to pick: тут немає з чого вибирати; впиши відповідь
no number: «{typed}» — не число
names none: «{typed}» не називає жодного варіанта; {offer}
could be: «{typed}» може бути {letters}; вибери один
too long: у відповіді знаків: {count}; читається щонайбільше {most}
too long a word: відповідь задовга, щоб бути цим словом
not taken: Не прийнято: {why}.
before begun: гра ще не почалася
waits: запитання чекає на відповідь
feedback shown: саме показано результат
after the end: гру закінчено
other question: це було до запитання {number} цієї гри, а воно вже минуло
no round: такого раунду вибрати не можна
round played: цей раунд уже зіграно
number set: кількість запитань визначено
unless so many: запитань може бути від 1 до {most}
no letters: у цьому запитанні не шукають слово
one letter: потрібна одна літера або цифра
letter tried: «{letter}» вже була
no hints: у цьому раунді немає підказок
has no hint: це запитання не має підказки
hint shown: підказку вже видно
no passing: у цьому раунді не можна пропускати
no end here: гра закінчується сама, або жодне закінчення ще не підходить
not yet: гра піде далі за {count} мс
the end: Кінець
given up: Гру припинено
badge rosette: розетка
badge marrow: кабачок
badge basket: кошик
badge sprout: паросток
badge trowel: совок
badge slug: слимак
points: {count} очко | {count} очки | {count} очок | {count} очка
so many right: правильно {right} з {asked}, {percent} %
play again: Зіграти ще раз
share: Поділитися результатом
shared: Результат скопійовано.
share words: {title}: {ending}, {points}
best so far: Це найкращий результат дотепер.
best scores: Найкращі результати
lowest scores: Найкращі результати, від найнижчого
fastest runs: Найшвидші ігри
your scores: Твої результати
when: Коли
ending: Фінал
time: Час
just now: щойно
minutes ago: {count} хвилину тому | {count} хвилини тому | {count} хвилин тому | {count} хвилини тому
hours ago: {count} годину тому | {count} години тому | {count} годин тому | {count} години тому
days ago: {count} день тому | {count} дні тому | {count} днів тому | {count} дня тому
your answers: Твої відповіді
no answer: немає відповіді
as right: правильно
as close: майже, зараховано
as wrong: неправильно
as late: запізно
as passed: пропущено
remark: Зауваження для того, хто зробив гру
send remark: Надіслати
thanks: Дякуємо: твоє зауваження збережено разом із цією грою.
this run: Ця гра
stop here: Зупинитися тут
begin anew: Почати знову
other names: Інші імена
leave: Покинути гру
older version: Гру змінено, відколи почалася ця партія; вона триває так, як почалася.
settings: Налаштування
mute: Без звуку
sound is on: Звук увімкнено
no music: Без музики
light as the device: Вигляд: світлий або темний, як на пристрої
light: Вигляд: світлий
dark: Вигляд: темний
larger text: Більший текст
connection lost: Зв’язок втрачено. Зроблене буде надіслано, щойно він повернеться.
in the queue: Зараз грає дуже багато людей. Твоя черга настане сама.
is gone: Цього тут уже немає.
too often: Це було зачасто. Зачекай трохи і спробуй ще раз.
moved on: Гра пішла далі в іншому місці; тепер вона така.
not playable: У цю гру зараз не можна грати. У ній є що полагодити.
trouble: Щось пішло не так. Спробуй ще раз.
try again: Спробувати ще раз
kept here: Усе, що ви робите, лишається на цьому пристрої: назване ім’я, відповіді та їхній час.
save answers: Зберегти відповіді у файл
from disk: Браузери не запускають це прямо з диска. У теці введіть {command} і відкрийте {address}.
true: правда
false: неправда
sort prompt: Куди належить «{item}»?
odd prompt: Що тут зайве?
press enter: Натисни Enter, щоб почати.
type round: Впиши номер раунду.
enter takes: Enter прийме {count}.
such as: Потрібні всі правильні, наприклад A, C.
enter goes on: Enter, щоб іти далі
wait: зачекай
key hint: /підказка
key pass: /пропуск
key quit: /кінець
"""
