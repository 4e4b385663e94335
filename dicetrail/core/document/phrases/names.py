"""Every phrase a page or a terminal says to a player, with its English words.

What stands in braces is filled in. A phrase that hangs on a count has a form for one and a
form for others, with a bar between them; other languages have as many forms as they need.
"""

from dicetrail.core.document.field_labels import Value

BAR = " | "
"""Between the forms of a phrase that hangs on a count."""


class Phrase(Value):
    """A phrase by its name, its English words, and where it is met."""

    # Before a run
    UNTITLED = "untitled", "A game without a title", "for a game's title"
    YOUR_NAME = "your name", "Your name", "before the opening"
    NAME_OF_PLAYER = "name of player", "Name of player {number}", "where several take turns"
    ANOTHER_PLAYER = "another player", "Another player", "a button"
    TO_THE_TABLE = "to the table", "To the table", "a button"
    PLAYER = "player", "Player", "one who gave no name"
    PLAYER_NUMBERED = "player numbered", "Player {number}", "a further one who gave no name"
    KEPT_OF_YOU = (
        "kept of you",
        "Kept of you for the maker of this game: the name you give, your answers and when you "
        "gave them. The maker can delete them for good.",
        "at the opening",
    )
    LAYING = "laying", "Laying the table…", "while a run is begun"
    BEGIN = "begin", "Begin", "a button"
    QUESTIONS = "questions", "{count} question | {count} questions", "at the opening"
    HOW_MANY = "how many", "How many questions, 1 to {most}?", "at the opening"
    ROUNDS = "rounds", "Rounds", "the menu of rounds"
    PLAYED = "played", "played", "a round of the menu"
    SOUND_WITH_PRESS = "sound with a press", "Sound begins with your first press.", "at the opening"

    # Where the player stands
    QUESTION_NUMBER = "question number", "Question {number}", "above a question"
    QUESTION_OF = "question of", "Question {number} of {count}", "above a question"
    QUESTION_UP_TO = (
        "question up to",
        "Question {number} of {count} at most",
        "above a question, where there may be fewer",
    )
    HAS_TURN = "has the turn", "has the turn", "beside a player's name"
    IS_OUT = "is out", "is out", "beside a player's name"
    SCORE = "score", "Score", "the counter of that name"
    LIVES = "lives", "Lives", "the counter of that name"
    CLOCK_OF_QUESTION = "clock of the question", "Clock of the question", "read out with a clock"
    CLOCK_OF_ROUND = "clock of the round", "Clock of the round", "read out with a clock"
    CLOCK_OF_GAME = "clock of the game", "Clock of the game", "read out with a clock"
    OF_QUESTION = "of the question", "question", "beside its clock, where there are several"
    OF_ROUND = "of the round", "round", "beside its clock"
    OF_GAME = "of the game", "game", "beside its clock"
    SECONDS = "seconds", "{count} s", "what is left of a clock"
    SECONDS_LEFT = (
        "seconds left",
        "{count} second left | {count} seconds left",
        "read out when little is left",
    )
    TRIES_LEFT = "tries left", "Tries left: {count}.", "after a wrong try"
    MISSES_LEFT = "misses left", "{count} miss left. | {count} misses left.", "under a word"

    # Answering
    PICK_ALL = "pick all", "Pick every right one, then answer.", "where all right ones are wanted"
    ANSWER_WITH = (
        "answer with",
        "Answer with {count} choice | Answer with {count} choices",
        "a button",
    )
    ANSWER = "answer", "Answer", "a button"
    TYPE_ANSWER = "type answer", "Type your answer", "in the field to type into"
    OR_TYPE = "or type", "Or type your answer", "in the field beside choices"
    OR_SAY = "or say", "Or say the whole of it", "in the field under a word"
    HINT = "hint", "Hint", "a button"
    HINT_IS = "hint is", "Hint: {hint}", "once it was asked for"
    PASS = "pass", "Pass", "a button"
    LETTERS = "letters", "Letters", "the keys of a word"
    TRIED = "tried", "{sign}, tried", "read out for a letter that was tried"
    BLANK = "blank", "blank", "read out for a hidden letter"
    PUT_IN_ORDER = (
        "put in order",
        "Put them in order: drag them, press the arrows, or type their letters.",
        "above choices to put in order",
    )
    MOVE_UP = "move up", "Move {letter} up", "a button"
    MOVE_DOWN = "move down", "Move {letter} down", "a button"
    AT_PLACE = "at place", "{letter} is number {number} of {count}", "read out after a move"
    THIS_ORDER = "this order", "This is the order", "a button"
    ESTIMATE_IT = (
        "estimate it",
        "Move the slider, or type a number from {least} to {most}.",
        "above a scale",
    )
    ON_SCALE = "on scale", "Your estimate", "a slider"
    NO_ESTIMATE_YET = "no estimate yet", "no estimate yet", "a slider that was not moved yet"
    THIS_ESTIMATE = "this estimate", "This is my estimate", "a button"
    POINT_AT = (
        "point at",
        "Tap the place in the picture. By keys: arrows move the cross, Enter answers.",
        "above a picture with places",
    )
    POINT_AT_ALL = (
        "point at all",
        "Tap each place in the picture; tap it again to take it back. By keys: arrows move the "
        "cross, Space sets it, Enter answers.",
        "above a picture with places",
    )
    BY_NAME = "by name", "Answer by name", "opens the names of places in a picture"
    CROSS_AT = (
        "cross at",
        "cross at {across} % from the left, {down} % from the top",
        "to a reader of the screen, on a picture with places",
    )
    THIS_PLACE = "this place", "This is the place", "a button"
    FILL_GAPS = "fill gaps", "Fill the gaps.", "above a text with gaps"
    GAP_OF = "gap of", "gap {number} of {count}", "a field of a text with gaps"
    NO_WORD_YET = "no word yet", "pick a word", "a gap that is picked from words and still empty"
    GAP_LEFT_EMPTY = "gap left empty", "left empty", "a gap for which nothing was given"
    SHOW_ANSWER = "show answer", "Show the answer", "a button"
    DID_YOU_HAVE_IT = "did you have it", "Did you have it?", "above what a player says of an answer"
    HAD_IT = "had it", "I had it", "what a player says of an answer"
    HAD_PART = "had part", "I had part of it", "what a player says of an answer"
    HAD_NOT = "had not", "I did not have it", "what a player says of an answer"
    MATCH_THEM = (
        "match them",
        "Match each: pick it and then what belongs to it, drag, or type the letters in turn.",
        "above items to match",
    )
    MATCH_REPEATS = (
        "match repeats",
        "A letter can be used more than once.",
        "above items to match",
    )
    MATCHED_AS = (
        "matched as",
        "{item}: {letter}, {count} of {total} matched",
        "to a reader of the screen, after a letter was given to an item",
    )
    NOT_MATCHED = "not matched", "nothing yet", "an item that has no match yet"
    THIS_MATCH = "this match", "This is the match", "a button"
    PICKED = "picked", "picked", "on a choice"
    RIGHT_ANSWER = "right answer", "right answer", "on a choice"
    YOUR_ANSWER = "your answer", "your answer", "on a choice"
    PICTURE_OF_QUESTION = (
        "picture of the question",
        "The picture this question is about",
        "read out for its picture",
    )
    SOUND_OF_QUESTION = (
        "sound of the question",
        "the sound this question is about",
        "read out with its buttons",
    )
    PICTURE_CHOICE = "picture choice", "Picture {letter}", "read out for a choice"
    SOUND_CHOICE = "sound choice", "Sound {letter}", "on a choice"
    HEAR_IT = "hear it", "Hear it", "a button"
    STOP_IT = "stop it", "Stop", "a button"
    SOUND_IS_OFF = "sound is off", "Sound is off.", "where a sound was wanted"
    CANNOT_HEAR = "cannot hear", "This sound cannot be played here.", "where a sound was wanted"
    READ_OUT = "read out", "Read out", "a button"
    NO_VOICE = (
        "no voice",
        "There is no voice on this device to read it out.",
        "where a voice was wanted",
    )

    # What came of it
    RIGHT = "right", "Right.", "after a right answer"
    CLOSE = "close", "Close enough.", "after one right but for typos"
    PARTLY = "partly right", "Partly right.", "after an answer that is right in part"
    WRONG = "wrong", "Not this time.", "after a wrong answer"
    LATE = "late", "Too late.", "after the clock has run out"
    WAS_PASSED = "was passed", "Passed.", "after a pass"
    HIT = "hit", "Yes.", "after a letter that stands in the word"
    MISS = "miss", "No.", "after one that does not"
    UNREADABLE = (
        "unreadable",
        "That could not be read: {why}. It costs nothing; answer again.",
        "after an answer that names nothing",
    )
    IT_IS = "it is", "It is {answer}.", "where the right answer is told"
    GO_ON = "go on", "Go on", "a button"
    CHOICE_NAMED = "choice named", "{letter}, “{choice}”", "how a choice is told"
    CHOICE_AMID = "choice amid", "{letter}, “{choice}”,", "how a choice is told within a reason"
    QUOTED = "quoted", "“{text}”", "how an answer is told"
    LIST_AND = "list and", "{some} and {last}", "between several"
    LIST_PAIRS = "list pairs", "{some}; {last}", "between pairs"
    LIST_THEN = "list then", "{some}, then {last}", "between several in order"
    LIST_OR = "list or", "{some} or {last}", "between several"

    # Why an answer was taken so
    IS_THE_RIGHT = "is the right", "{choice} is the right answer", "of a choice"
    IS_A_RIGHT = "is a right", "{choice} is a right answer", "of a choice"
    IS_NOT_RIGHT = "is not right", "{choice} is not the right answer", "of a choice"
    ARE_NOT_ALL = (
        "are not all",
        "{choices} are not all the right answers alone",
        "of choices picked together",
    )
    ARE_PARTLY = (
        "are partly",
        "with {choices} the answer is {share} % right",
        "of choices picked together",
    )
    ARE_ALL = (
        "are all",
        "{choices} is all the right answers | {choices} are all the right answers",
        "of choices picked together",
    )
    ARE_ALL_BUT = (
        "are all but",
        "{choices} are right but for {count} typo | {choices} are right but for {count} typos",
        "of choices typed together",
    )
    ORDER_RIGHT = "order right", "{letters} is the right order", "of choices put in order"
    ORDER_WRONG = "order wrong", "{letters} is not the right order", "of choices put in order"
    ORDER_PARTLY = (
        "order partly",
        "the order {letters} is {share} % right",
        "of choices put in order",
    )
    NAME_EACH_ONCE = (
        "name each once",
        "all {count} have to be in the order, each once",
        "of choices put in order",
    )
    MATCH_RIGHT = "match right", "{letters} is the right match", "of items matched in turn"
    MATCH_WRONG = "match wrong", "{letters} is not the right match", "of items matched in turn"
    MATCH_PARTLY = (
        "match partly",
        "the match {letters} is {share} % right",
        "of items matched in turn",
    )
    MATCH_EACH = (
        "match each",
        "each of the {count} needs its match",
        "of items matched in turn",
    )
    MATCH_ONCE = (
        "match once",
        "{letter} can be used once only",
        "of items matched in turn",
    )
    PAIRED = "paired", "{item}: {choice}", "an item and its match"
    TYPED_RIGHT = "typed right", "“{typed}” is the right answer", "of a typed answer"
    TYPED_READ = (
        "typed read",
        "“{typed}” is the right answer, read as “{answer}”",
        "of a typed answer",
    )
    TYPED_WRONG = "typed wrong", "“{typed}” is not the right answer", "of a typed answer"
    TYPOS_APART = (
        "typos apart",
        "“{typed}” is {typos} from “{answer}”; {allowed}",
        "of a typed answer",
    )
    TYPOS = "typos", "one typo | {count} typos", "in a reason"
    TYPOS_ALLOWED = "typos allowed", "one is allowed | {count} are allowed", "in a reason"
    NUMBER_RIGHT = "number right", "{typed} is the right answer", "of a number"
    NUMBER_NEAR = (
        "number near",
        "{typed} is the right answer, within {tolerance} of {right}",
        "of a number",
    )
    NUMBER_WRONG = "number wrong", "{typed} is not the right answer", "of a number"
    ESTIMATE_PARTLY = "estimate partly", "{typed} is {share} % right", "of an estimate"
    NOTHING_THERE = "nothing there", "that is not the right place", "of a place in a picture"
    PLACES_PARTLY = (
        "places partly",
        "these places are {share} % right",
        "of places in a picture",
    )
    GAPS_PARTLY = "gaps partly", "“{typed}” is {share} % right", "of what fills gaps"
    FILL_EACH = (
        "fill each",
        "each of the {count} gaps is to be filled, with semicolons between",
        "of what fills gaps",
    )
    NO_WORD_OF_GAP = (
        "no word of gap",
        "“{typed}” is none of the words for gap {number}",
        "of what fills gaps",
    )
    OFF_SCALE = "off scale", "{typed} is not from {least} to {most}", "of an estimate"
    BETWEEN_STEPS = (
        "between steps",
        "{typed} is between the steps of {step}",
        "of an estimate",
    )
    WITH_HOW = "with how", "{why}; {how}", "of a number of two readings"
    AS_THOUSANDS = "as thousands", "the {mark} was read as a thousands mark", "of a number"
    AS_DECIMAL = "as decimal", "the {mark} was read as a decimal mark", "of a number"
    COMMA = "comma", "comma", "in a reason"
    POINT = "point", "point", "in a reason"
    LETTER_STANDS = "letter stands", "“{letter}” stands in it", "of a letter"
    LETTER_NOT = "letter not", "“{letter}” does not stand in it", "of a letter"
    ALL_FOUND = "all found", "every letter is found", "of a word"
    TIME_OVER = "time over", "the time is over", "of no answer"
    PASSED_WHY = "passed why", "passed", "of a pass"

    # What could not be read
    NOTHING_PICKED = "nothing picked", "nothing was picked", "in a reason"
    NO_CHOICE = "no choice", "there is no choice {number}; {offer}", "in a reason"
    OFFER = "offer", "the choices are A to {letter}", "in a reason"
    ONLY_ONE = "only one", "only one choice is wanted; pick one", "in a reason"
    NOTHING_TYPED = "nothing typed", "nothing was typed", "in a reason"
    NO_WORD = "no word", "no word was typed", "in a reason"
    NOTHING_TO_PICK = "nothing to pick", "there is nothing to pick; type the answer", "in a reason"
    NO_NUMBER = "no number", "“{typed}” is not a number", "in a reason"
    NAMES_NONE = "names none", "“{typed}” names no choice; {offer}", "in a reason"
    COULD_BE = "could be", "“{typed}” could be {letters}; pick one", "in a reason"
    TOO_LONG = (
        "too long",
        "the answer has {count} characters; {most} are read at most",
        "in a reason",
    )
    TOO_LONG_WORD = "too long a word", "the answer is too long to be the word", "in a reason"

    # What was not taken
    NOT_TAKEN = "not taken", "Not taken: {why}.", "where nothing came of what was done"
    BEFORE_BEGUN = "before begun", "before the run has begun", "of what was not taken"
    WAITS = "waits", "while a question waits for its answer", "of what was not taken"
    FEEDBACK_SHOWN = "feedback shown", "while the feedback is shown", "of what was not taken"
    AFTER_END = "after the end", "after the end", "of what was not taken"
    OTHER_QUESTION = (
        "other question",
        "because it was meant for question {number} of the run, which is gone",
        "of what was not taken",
    )
    NO_ROUND = "no round", "because there is no such round to choose", "of what was not taken"
    ROUND_PLAYED = "round played", "because that round has been played", "of what was not taken"
    NUMBER_SET = "number set", "because the number of questions is set", "of what was not taken"
    UNLESS_SO_MANY = (
        "unless so many",
        "unless 1 to {most} questions are wanted",
        "of what was not taken",
    )
    NOTHING_TO_SHOW = (
        "nothing to show",
        "because there is no answer to look at",
        "of what was not taken",
    )
    NO_LETTERS = "no letters", "because the question is not a word to find", "of what was not taken"
    ONE_LETTER = "one letter", "unless it is one letter or digit", "of what was not taken"
    LETTER_TRIED = "letter tried", "because “{letter}” was tried before", "of what was not taken"
    NO_HINTS = "no hints", "because this round gives no hints", "of what was not taken"
    HAS_NO_HINT = "has no hint", "because the question has no hint", "of what was not taken"
    HINT_SHOWN = "hint shown", "because the hint is shown already", "of what was not taken"
    NO_PASSING = "no passing", "because this round lets no question pass", "of what was not taken"
    NO_END_HERE = (
        "no end here",
        "because the run ends by itself, or no ending is there for it yet",
        "of what was not taken",
    )
    NOT_YET = "not yet", "before the hold is over, in {count} ms", "of what was not taken"

    # After the end
    THE_END = "the end", "The end", "where no ending fits"
    GIVEN_UP = "given up", "Given up", "after a run was given up"
    BADGE_ROSETTE = "badge rosette", "rosette", "the name of a badge"
    BADGE_MARROW = "badge marrow", "marrow", "the name of a badge"
    BADGE_BASKET = "badge basket", "basket", "the name of a badge"
    BADGE_SPROUT = "badge sprout", "sprout", "the name of a badge"
    BADGE_TROWEL = "badge trowel", "trowel", "the name of a badge"
    BADGE_SLUG = "badge slug", "slug", "the name of a badge"
    POINTS = "points", "{count} point | {count} points", "after the end"
    SO_MANY_RIGHT = "so many right", "{right} of {asked} right, {percent} %", "after the end"
    PLAY_AGAIN = "play again", "Play again", "a button"
    SHARE = "share", "Share the result", "a button"
    SHARED = "shared", "The result is copied.", "after it was pressed"
    SHARE_WORDS = "share words", "{title}: {ending}, {points}", "what is shared, with the address"
    BEST_SO_FAR = "best so far", "This is the best so far.", "after the end"
    BEST_SCORES = "best scores", "Best scores", "after the end"
    LOWEST_SCORES = "lowest scores", "Best scores, the lowest first", "after the end"
    FASTEST_RUNS = "fastest runs", "Fastest runs", "after the end"
    YOUR_SCORES = "your scores", "Your scores", "after the end"
    WHEN = "when", "When", "above a column"
    ENDING = "ending", "Ending", "above a column"
    TIME = "time", "Time", "above a column"
    JUST_NOW = "just now", "just now", "when a run was"
    MINUTES_AGO = "minutes ago", "{count} minute ago | {count} minutes ago", "when a run was"
    HOURS_AGO = "hours ago", "{count} hour ago | {count} hours ago", "when a run was"
    DAYS_AGO = "days ago", "{count} day ago | {count} days ago", "when a run was"
    YOUR_ANSWERS = "your answers", "Your answers", "after the end"
    NO_ANSWER = "no answer", "no answer", "among your answers"
    AS_RIGHT = "as right", "right", "among your answers"
    AS_CLOSE = "as close", "close enough", "among your answers"
    AS_PARTLY = "as partly", "{share} % right", "among your answers"
    AS_WRONG = "as wrong", "wrong", "among your answers"
    AS_LATE = "as late", "too late", "among your answers"
    AS_PASSED = "as passed", "passed", "among your answers"
    REMARK = "remark", "A remark for the maker", "after the end"
    SEND_REMARK = "send remark", "Send it", "a button"
    THANKS = "thanks", "Thank you: your remark is kept with this run.", "after a remark"

    # The menu of a run
    THIS_RUN = "this run", "This run", "the menu of a run"
    STOP_HERE = "stop here", "Stop here", "a button, where a run would go on for ever"
    BEGIN_ANEW = "begin anew", "Begin anew", "a button"
    OTHER_NAMES = "other names", "Other names", "a button"
    LEAVE = "leave", "Leave the game", "a button"
    OLDER_VERSION = (
        "older version",
        "The game was changed since this run began; the run goes on as it began.",
        "above a run",
    )

    # Settings, and trouble
    SETTINGS = "settings", "Settings", "the group of buttons"
    MUTE = "mute", "Mute", "a button"
    SOUND_IS_ON = "sound is on", "Sound is on", "shown on it"
    NO_MUSIC = "no music", "No music", "a button"
    LIGHT_AS_DEVICE = "light as the device", "Look: light or dark, as the device", "a button"
    LIGHT = "light", "Look: light", "a button"
    DARK = "dark", "Look: dark", "a button"
    LARGER_TEXT = "larger text", "Larger text", "a button"
    CONNECTION_LOST = (
        "connection lost",
        "The connection is lost. What you did is sent as soon as it is back.",
        "in trouble",
    )
    IN_THE_QUEUE = (
        "in the queue",
        "Very many are playing just now. Your turn comes by itself.",
        "in trouble",
    )
    IS_GONE = "is gone", "This is not here any more.", "in trouble"
    TOO_OFTEN = "too often", "That was too often. Wait a moment and try again.", "in trouble"
    MOVED_ON = (
        "moved on",
        "This run has gone on elsewhere; this is how it stands now.",
        "in trouble",
    )
    NOT_PLAYABLE = (
        "not playable",
        "This game cannot be played now. Its maker has something to mend.",
        "in trouble",
    )
    TROUBLE = "trouble", "Something went wrong. Try again.", "in trouble"
    TRY_AGAIN = "try again", "Try again", "a button in trouble"

    # Where a game has left as a folder
    KEPT_HERE = (
        "kept here",
        "What you do stays on this device: the name you give, your answers and when you gave them.",
        "at the opening of a folder",
    )
    SAVE_ANSWERS = "save answers", "Save the answers as a file", "a button in a folder"
    FROM_DISK = (
        "from disk",
        "Browsers do not play this straight from a disk. In its folder, type {command} and open "
        "{address}.",
        "in a folder opened from a disk",
    )

    # Questions made here
    TRUE = "true", "true", "a choice"
    FALSE = "false", "false", "a choice"
    SORT_PROMPT = "sort prompt", "Where does “{item}” belong?", "questions from lists"
    ODD_PROMPT = "odd prompt", "Which is the odd one out?", "questions from lists"

    # In a terminal
    PRESS_ENTER = "press enter", "Press Enter to begin.", "in a terminal"
    TYPE_ROUND = "type round", "Type the number of a round.", "in a terminal"
    ENTER_TAKES = "enter takes", "Enter takes {count}.", "in a terminal"
    ENTER_SHOWS = "enter shows", "Enter shows the answer.", "in a terminal"
    ESTIMATE_FROM = (
        "estimate from",
        "Type a number from {least} to {most}.",
        "in a terminal",
    )
    TYPE_GAPS = (
        "type gaps",
        "Type what belongs in each gap in turn, with semicolons between.",
        "in a terminal",
    )
    GAP_READ = "gap read", "gap {number}", "in a text with gaps, read out or in a terminal"
    MATCH_SUCH_AS = (
        "match such as",
        "Type a letter for each in turn, such as {letters}.",
        "in a terminal",
    )
    ORDER_SUCH_AS = (
        "order such as",
        "Type the letters in the right order, such as {letters}.",
        "in a terminal",
    )
    SUCH_AS = "such as", "Every right one is wanted, such as A, C.", "in a terminal"
    ENTER_GOES_ON = "enter goes on", "Enter goes on", "in a terminal"
    WAIT = "wait", "wait", "in a terminal"
    KEY_HINT = "key hint", "/hint", "what is typed in a terminal"
    KEY_PASS = "key pass", "/pass", "what is typed in a terminal"
    KEY_QUIT = "key quit", "/quit", "what is typed in a terminal"
