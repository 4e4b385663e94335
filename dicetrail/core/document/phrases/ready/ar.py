"""Arabic. Made from translations/ar.po."""

LINES = """
untitled: لعبة بلا عنوان
your name: اسمك
name of player: اسم اللاعب {number}
another player: لاعب آخر
to the table: إلى الطاولة
player: لاعب
player numbered: لاعب {number}
kept of you: يُحفظ لمن صنع هذه اللعبة: الاسم الذي تذكره، وإجاباتك، ووقت كل إجابة. ويمكن حذف ذلك كله نهائيًا.
laying: نجهّز الطاولة…
begin: ابدأ
questions: لا أسئلة | سؤال واحد | سؤالان | {count} أسئلة | {count} سؤالًا | {count} سؤال
how many: كم سؤالًا، من 1 إلى {most}؟
rounds: الجولات
played: لُعبت
sound with a press: يبدأ الصوت عند أول ضغطة لك.
question number: السؤال {number}
question of: السؤال {number} من {count}
question up to: السؤال {number} من {count} على الأكثر
has the turn: له الدور
is out: خارج اللعب
score: النقاط
lives: الأرواح
clock of the question: وقت السؤال
clock of the round: وقت الجولة
clock of the game: وقت اللعبة
of the question: السؤال
of the round: الجولة
of the game: اللعبة
seconds: {count} ث
seconds left: انتهت الثواني | بقيت ثانية واحدة | بقيت ثانيتان | بقيت {count} ثوانٍ | بقيت {count} ثانية | بقيت {count} ثانية
tries left: المحاولات الباقية: {count}.
misses left: لم يبق أي خطأ. | بقي خطأ واحد. | بقي خطآن. | بقيت {count} أخطاء. | بقي {count} خطأً. | بقي {count} خطأ.
pick all: اختر كل الإجابات الصحيحة ثم أجب.
answer with: أجب بلا اختيار | أجب باختيار واحد | أجب باختيارين | أجب بـ {count} اختيارات | أجب بـ {count} اختيارًا | أجب بـ {count} اختيار
answer: أجب
type answer: اكتب إجابتك
or type: أو اكتب إجابتك
or say: أو قل الكل
hint: تلميح
hint is: تلميح: {hint}
pass: تجاوز
letters: الحروف
tried: {sign}، سبقت تجربته
blank: فارغ
picked: مختار
right answer: الإجابة الصحيحة
your answer: إجابتك
picture of the question: الصورة التي يدور حولها السؤال
sound of the question: الصوت الذي يدور حوله السؤال
picture choice: الصورة {letter}
sound choice: الصوت {letter}
hear it: استمع
stop it: أوقف
sound is off: الصوت مغلق.
cannot hear: لا يمكن تشغيل هذا الصوت هنا.
read out: اقرأ بصوت عالٍ
no voice: لا يوجد على هذا الجهاز صوت يقرأ ذلك.
right: صحيح.
close: قريب بما يكفي.
wrong: ليس هذه المرة.
late: فات الوقت.
was passed: تم التجاوز.
hit: نعم.
miss: لا.
unreadable: تعذّرت قراءة ذلك: {why}. هذا لا يكلفك شيئًا؛ أجب مرة أخرى.
it is: إنها {answer}.
go on: تابع
choice named: {letter}، «{choice}»
choice amid: {letter}، «{choice}»،
quoted: «{text}»
list and: {some} و{last}
list or: {some} أو {last}
is the right: {choice} هي الإجابة الصحيحة
is a right: {choice} إجابة صحيحة
is not right: {choice} ليست الإجابة الصحيحة
are not all: {choices} ليست كل الإجابات الصحيحة وحدها
are all: {choices} كل الإجابات الصحيحة | {choices} هي الإجابة الصحيحة كلها | {choices} هما كل الإجابات الصحيحة | {choices} هي كل الإجابات الصحيحة | {choices} هي كل الإجابات الصحيحة | {choices} هي كل الإجابات الصحيحة
are all but: {choices} صحيحة | {choices} صحيحة إلا خطأً كتابيًا واحدًا | {choices} صحيحة إلا خطأين كتابيين | {choices} صحيحة إلا {count} أخطاء كتابية | {choices} صحيحة إلا {count} خطأً كتابيًا | {choices} صحيحة إلا {count} خطأ كتابي
typed right: «{typed}» هي الإجابة الصحيحة
typed read: «{typed}» هي الإجابة الصحيحة، وقد قُرئت «{answer}»
typed wrong: «{typed}» ليست الإجابة الصحيحة
typos apart: بين «{typed}» و«{answer}» {typos}؛ {allowed}
typos: لا أخطاء كتابية | خطأ كتابي واحد | خطآن كتابيان | {count} أخطاء كتابية | {count} خطأً كتابيًا | {count} خطأ كتابي
typos allowed: لا يُسمح بشيء | يُسمح بواحد | يُسمح باثنين | يُسمح بـ {count} | يُسمح بـ {count} | يُسمح بـ {count}
number right: {typed} هو الجواب الصحيح
number near: {typed} هو الجواب الصحيح، في حدود {tolerance} من {right}
number wrong: {typed} ليس الجواب الصحيح
with how: {why}؛ {how}
as thousands: قُرئت {mark} فاصلة آلاف
as decimal: قُرئت {mark} علامة عشرية
comma: الفاصلة
point: النقطة
letter stands: «{letter}» موجود فيها
letter not: «{letter}» غير موجود فيها
all found: وُجدت كل الحروف
time over: انتهى الوقت
passed why: تم التجاوز
nothing picked: لم يُختر شيء
no choice: لا يوجد اختيار {number}؛ {offer}
offer: الاختيارات من A إلى {letter}
only one: المطلوب اختيار واحد فقط؛ اختر واحدًا
nothing typed: لم يُكتب شيء
no word: لم تُكتب كلمة
nothing to pick: لا شيء هنا للاختيار؛ اكتب الإجابة
no number: «{typed}» ليس عددًا
names none: «{typed}» لا يدل على أي اختيار؛ {offer}
could be: «{typed}» قد يكون {letters}؛ اختر واحدًا
too long: في الإجابة {count} علامة؛ ويُقرأ {most} على الأكثر
too long a word: الإجابة أطول من أن تكون الكلمة
not taken: لم يُقبل: {why}.
before begun: لم تبدأ اللعبة بعد
waits: هناك سؤال ينتظر إجابته
feedback shown: النتيجة معروضة الآن
after the end: انتهت اللعبة
other question: كان ذلك للسؤال {number} من اللعبة وقد مضى
no round: لا توجد جولة كهذه للاختيار
round played: لُعبت تلك الجولة من قبل
number set: عدد الأسئلة محدد
unless so many: يمكن أن يكون عدد الأسئلة من 1 إلى {most}
no letters: ليس في هذا السؤال كلمة تُكشف
one letter: المطلوب حرف واحد أو رقم واحد
letter tried: سبقت تجربة «{letter}»
no hints: لا تلميحات في هذه الجولة
has no hint: ليس لهذا السؤال تلميح
hint shown: التلميح ظاهر بالفعل
no passing: لا تجاوز في هذه الجولة
no end here: اللعبة تنتهي من تلقاء نفسها، أو لا نهاية تناسبها بعد
not yet: تستمر اللعبة بعد {count} م.ث
the end: النهاية
given up: انسحاب
badge rosette: وردة الجائزة
badge marrow: قرع
badge basket: سلة
badge sprout: برعم
badge trowel: مجرفة صغيرة
badge slug: بزاقة
points: لا نقاط | نقطة واحدة | نقطتان | {count} نقاط | {count} نقطة | {count} نقطة
so many right: {right} من {asked} صحيحة، {percent} %
play again: العب مرة أخرى
share: شارك النتيجة
shared: نُسخت النتيجة.
share words: {title}: {ending}، {points}
best so far: هذه أفضل نتيجة حتى الآن.
best scores: أفضل النتائج
lowest scores: أفضل النتائج، الأدنى أولًا
fastest runs: أسرع الجولات
your scores: نتائجك
when: متى
ending: الخاتمة
time: الوقت
just now: الآن
minutes ago: الآن | قبل دقيقة | قبل دقيقتين | قبل {count} دقائق | قبل {count} دقيقة | قبل {count} دقيقة
hours ago: الآن | قبل ساعة | قبل ساعتين | قبل {count} ساعات | قبل {count} ساعة | قبل {count} ساعة
days ago: اليوم | قبل يوم | قبل يومين | قبل {count} أيام | قبل {count} يومًا | قبل {count} يوم
your answers: إجاباتك
no answer: لا إجابة
as right: صحيح
as close: قريب بما يكفي
as wrong: خطأ
as late: فات الوقت
as passed: تم التجاوز
remark: ملاحظة لمن صنع اللعبة
send remark: أرسل
thanks: شكرًا: حُفظت ملاحظتك مع هذه اللعبة.
this run: هذه الجولة من اللعب
stop here: توقف هنا
begin anew: ابدأ من جديد
other names: أسماء أخرى
leave: غادر اللعبة
older version: تغيرت اللعبة منذ أن بدأت؛ وتستمر كما بدأت.
settings: الإعدادات
mute: كتم الصوت
sound is on: الصوت مفتوح
no music: بلا موسيقى
light as the device: المظهر: فاتح أو داكن مثل الجهاز
light: المظهر: فاتح
dark: المظهر: داكن
larger text: نص أكبر
connection lost: انقطع الاتصال. يُرسل ما فعلته حالما يعود.
in the queue: يلعب الآن كثيرون جدًّا. سيأتي دورك من تلقاء نفسه.
is gone: لم يعد هذا هنا.
too often: كان ذلك كثيرًا. انتظر لحظة ثم حاول مرة أخرى.
moved on: استمرت اللعبة في مكان آخر؛ وهذه حالها الآن.
not playable: لا يمكن لعب هذه اللعبة الآن. فيها ما يحتاج إلى إصلاح.
trouble: حدث خطأ ما. حاول مرة أخرى.
try again: حاول مرة أخرى
kept here: ما تفعله يبقى على هذا الجهاز: الاسم الذي تعطيه وإجاباتك ووقتها.
save answers: احفظ الإجابات في ملف
from disk: لا تشغّل المتصفحات هذا من القرص مباشرة. اكتب في مجلده {command} ثم افتح {address}.
true: صواب
false: خطأ
sort prompt: إلى أين تنتمي «{item}»؟
odd prompt: أيها لا ينتمي إلى البقية؟
press enter: اضغط Enter لتبدأ.
type round: اكتب رقم جولة.
enter takes: Enter يأخذ {count}.
such as: المطلوب كل الصحيحة، مثل A, C.
enter goes on: Enter للمتابعة
wait: انتظر
key hint: /تلميح
key pass: /تجاوز
key quit: /خروج
"""
