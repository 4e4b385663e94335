// Made from the core by `make api`; not to be changed by hand.
import type { Badge, Best, ChoicesAs, Contents, Corner, Cue, DecimalMark, Density, DrawOrder, Dress, Effect, Ending, Fit, Format, Habit, Holds, ItemList, Kind, Language, Leaves, Lists, ListsAsk, Look, Made, Needs, Occasion, Operator, Order, Pattern, PictureAt, Question, Refill, Reveal, Role, Round, RoundOrder, Scout, Seen, Separator, Shows, Sound, Sums, To, Typeface, Wave } from "./schema";

/** What a maker adds begins as one of these. */

export const NEW_QUESTION: Question = {
  "prompt": "",
  "right": [],
  "wrong": [],
  "kind": "choice",
  "details": {
    "topic": "",
    "level": null,
    "worth": null,
    "seconds": null,
    "hint": "",
    "note": "",
    "picture": "",
    "sound": "",
    "narration": "",
    "tolerance": "",
    "pinned": "",
    "shows": "text",
    "misses": null,
    "needs": "any",
    "when_right": "",
    "when_wrong": ""
  },
  "replies": []
};

export const NEW_ROUND: Round = {
  "title": "New round",
  "packs": [],
  "lists": [],
  "sums": [],
  "patterns": [],
  "draw": {
    "count": 10,
    "order": "shuffled",
    "topics": [],
    "levels": [],
    "player_chooses": false,
    "refill": "never",
    "weights": [
      1,
      1,
      1,
      1,
      1
    ]
  },
  "ask": {
    "choice_order": "shuffled",
    "spread": false,
    "shown": null,
    "tries": 1,
    "misses": 3,
    "seconds": null,
    "hints": true,
    "typing": false,
    "passing": false,
    "reads_aloud": false,
    "waits_for_sound": false
  },
  "check": {
    "by_letter": true,
    "by_place": true,
    "by_text": true,
    "ignore_case": true,
    "ignore_accents": false,
    "ignore_punctuation": false,
    "articles": "",
    "typos": 0,
    "typos_anyway": false,
    "decimal_mark": "language",
    "samples": []
  },
  "after": {
    "reveal": "last try",
    "hold_ms": null,
    "own_words_alone": false
  },
  "moves": {
    "right": {
      "to": "next question",
      "name": ""
    },
    "wrong": {
      "to": "next question",
      "name": ""
    },
    "timeout": {
      "to": "next question",
      "name": ""
    },
    "passed": {
      "to": "next question",
      "name": ""
    }
  },
  "seconds": null
};

export const NEW_LISTS: Lists = {
  "lists": [
    {
      "title": "Root",
      "items": [
        "carrot",
        "beet"
      ]
    },
    {
      "title": "Leaf",
      "items": [
        "kale",
        "chard"
      ]
    }
  ],
  "asks": "sort",
  "prompt": "",
  "choices": 4
};

export const NEW_ITEMLIST: ItemList = {
  "title": "List",
  "items": []
};

export const NEW_SUMS: Sums = {
  "operator": "plus",
  "left": {
    "least": 1,
    "most": 10
  },
  "right": {
    "least": 1,
    "most": 10
  },
  "cap": null,
  "negative": false,
  "denominators": null,
  "choices": 0,
  "count": 50,
  "near": null,
  "turned": false
};

export const NEW_PATTERN: Pattern = {
  "facts": "",
  "prompt": "",
  "answer": "",
  "made": "choice",
  "choices": 4,
  "shows": "text",
  "also": [],
  "near": "",
  "holds": [],
  "picture": "",
  "sound": "",
  "worth": "",
  "level": "",
  "note": "",
  "tolerance": "",
  "leaves": "none"
};

export const NEW_HOLDS: Holds = {
  "column": "",
  "values": []
};

export const NEW_CUE: Cue = {
  "name": "",
  "on": [
    "right"
  ],
  "words": "",
  "hold_ms": null,
  "until_continue": false,
  "sound": "",
  "effect": "none",
  "words_alone": false,
  "streak": 3,
  "last_seconds": 5
};

export const NEW_SOUND: Sound = {
  "name": "",
  "notes": [
    {
      "pitch": "C5",
      "ms": 120
    },
    {
      "pitch": "E5",
      "ms": 120
    },
    {
      "pitch": "G5",
      "ms": 240
    }
  ],
  "wave": "triangle",
  "attack_ms": 8,
  "release_ms": 160,
  "loudness": 70,
  "file": ""
};

export const NEW_LOOK: Look = {
  "colours": {
    "ground": "#f7f2e8",
    "card": "#fffdf8",
    "ink": "#1f2a2e",
    "accent": "#a8482a",
    "right": "#3f6b4f",
    "wrong": "#8c3a20"
  },
  "headings": "bookish",
  "text": "plain",
  "choices": "rows",
  "picture_at": "above",
  "corner": "slight",
  "density": "usual",
  "opening_picture": "",
  "opening": {
    "picture": "",
    "fit": "cover",
    "dimmed": 40
  },
  "playing": {
    "picture": "",
    "fit": "cover",
    "dimmed": 40
  },
  "ending": {
    "picture": "",
    "fit": "cover",
    "dimmed": 40
  },
  "music": {
    "opening": "",
    "playing": "",
    "ending": "",
    "loudness": 40
  },
  "shows_die": true,
  "die_picture": ""
};

export const NEW_ENDING: Ending = {
  "title": "New ending",
  "verdict": "",
  "at_least": null,
  "at_most": null,
  "counts": "score",
  "when": "",
  "at_once": false,
  "badge": "none",
  "cue": "",
  "counts_as_best": true,
  "passes": false,
  "picture": ""
};

/** A field: what it is called, what it does or counts in, what it means left empty, its
 * name where there is little room, and the least and the most of a number. */
export type Field = { label: string; hint: string; empty: string; short: string; within: [number, number] | null };

/** The fields of a game, question or scout, by where they stand. */
export const FIELDS: Record<string, Field> = {
  "rounds[].title": {"label": "Title", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].lists[].asks": {"label": "What is asked", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].lists[].prompt": {"label": "The question", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].lists[].choices": {"label": "Choices", "hint": "", "empty": "", "short": "", "within": [3, 12]},
  "rounds[].sums[].operator": {"label": "Operator", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].sums[].left": {"label": "Left number", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].sums[].left.least": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].left.most": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].right": {"label": "Right number", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].sums[].right.least": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].right.most": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].cap": {"label": "Largest result", "hint": "", "empty": "any", "short": "", "within": [-1000000000, 1000000000]},
  "rounds[].sums[].negative": {"label": "Results below zero", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].sums[].denominators": {"label": "Fractions, with denominators", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].sums[].denominators.least": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].denominators.most": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000000]},
  "rounds[].sums[].choices": {"label": "Choices", "hint": "", "empty": "typed", "short": "", "within": [0, 12]},
  "rounds[].sums[].count": {"label": "How many are made", "hint": "", "empty": "", "short": "", "within": [1, 1000]},
  "rounds[].sums[].near": {"label": "Wrong choices at most so far off", "hint": "", "empty": "as slips come to", "short": "", "within": [1, 1000000]},
  "rounds[].sums[].turned": {"label": "A times table turned round", "hint": "left times right, divided by right", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].prompt": {"label": "The question", "hint": "{column} stands for what the row holds there", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].answer": {"label": "The answer is in", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].made": {"label": "How it is answered", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].choices": {"label": "Choices", "hint": "the right one among them", "empty": "", "short": "", "within": [2, 8]},
  "rounds[].patterns[].shows": {"label": "The choices are", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].also[]": {"label": "Accepted too is what stands in", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].near": {"label": "Wrong choices first from rows with the same", "hint": "", "empty": "any", "short": "", "within": null},
  "rounds[].patterns[].picture": {"label": "Picture from", "hint": "", "empty": "none", "short": "", "within": null},
  "rounds[].patterns[].sound": {"label": "Sound from", "hint": "", "empty": "none", "short": "", "within": null},
  "rounds[].patterns[].worth": {"label": "Worth from", "hint": "", "empty": "none", "short": "", "within": null},
  "rounds[].patterns[].level": {"label": "Level from", "hint": "", "empty": "none", "short": "", "within": null},
  "rounds[].patterns[].note": {"label": "Note from", "hint": "", "empty": "none", "short": "", "within": null},
  "rounds[].patterns[].tolerance": {"label": "Tolerance", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].patterns[].leaves": {"label": "Not offered again", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].draw.count": {"label": "How many questions", "hint": "", "empty": "all", "short": "", "within": [1, 10000]},
  "rounds[].draw.order": {"label": "Order", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].draw.topics[]": {"label": "Topics", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].draw.levels[]": {"label": "Levels", "hint": "", "empty": "", "short": "", "within": [1, 5]},
  "rounds[].draw.player_chooses": {"label": "The player says how many", "hint": "up to all there are; the number above is offered first", "empty": "", "short": "", "within": null},
  "rounds[].draw.refill": {"label": "When the pool is empty", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].draw.weights[]": {"label": "", "hint": "", "empty": "", "short": "", "within": [0, 1000]},
  "rounds[].ask.choice_order": {"label": "Order of the choices", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].ask.spread": {"label": "Spread right answers", "hint": "over all places equally often", "empty": "", "short": "", "within": null},
  "rounds[].ask.shown": {"label": "Choices shown", "hint": "", "empty": "all", "short": "", "within": [2, 12]},
  "rounds[].ask.tries": {"label": "Tries for a question", "hint": "", "empty": "until right", "short": "", "within": [1, 20]},
  "rounds[].ask.misses": {"label": "Misses for a word", "hint": "letters, unless the word says its own", "empty": "", "short": "", "within": [1, 20]},
  "rounds[].ask.seconds": {"label": "Clock of a question", "hint": "seconds", "empty": "none", "short": "", "within": [1, 3600]},
  "rounds[].ask.hints": {"label": "Hints", "hint": "where a question has one", "empty": "", "short": "", "within": null},
  "rounds[].ask.typing": {"label": "A field to type into", "hint": "beside choices, as Check lets it", "empty": "", "short": "", "within": null},
  "rounds[].ask.passing": {"label": "Passing", "hint": "a question can be passed", "empty": "", "short": "", "within": null},
  "rounds[].ask.reads_aloud": {"label": "Read aloud", "hint": "by a made voice, where a question has no recorded file", "empty": "", "short": "", "within": null},
  "rounds[].ask.waits_for_sound": {"label": "Clocks wait for the sound", "hint": "of a question, until it begins; 5 seconds at most", "empty": "", "short": "", "within": null},
  "rounds[].check.by_letter": {"label": "By letter", "hint": "“b” and “B” both name choice B", "empty": "", "short": "", "within": null},
  "rounds[].check.by_place": {"label": "By place", "hint": "“2” names the second choice", "empty": "", "short": "", "within": null},
  "rounds[].check.by_text": {"label": "By its whole text", "hint": "typed in full; extra spaces never matter", "empty": "", "short": "", "within": null},
  "rounds[].check.ignore_case": {"label": "Capitals do not matter", "hint": "“carrot” is “Carrot”", "empty": "", "short": "", "within": null},
  "rounds[].check.ignore_accents": {"label": "Accents do not matter", "hint": "“creme” is “crème”", "empty": "", "short": "", "within": null},
  "rounds[].check.ignore_punctuation": {"label": "Punctuation does not matter", "hint": "“its” is “it’s”", "empty": "", "short": "", "within": null},
  "rounds[].check.articles": {"label": "Words that may be missing at the start", "hint": "such as: a an the, or: le la l'", "empty": "", "short": "", "within": null},
  "rounds[].check.typos": {"label": "Typos forgiven", "hint": "one for three letters at most; none in words under four", "empty": "", "short": "", "within": [0, 3]},
  "rounds[].check.typos_anyway": {"label": "So many in short answers too", "hint": "more than one for three letters", "empty": "", "short": "", "within": null},
  "rounds[].check.decimal_mark": {"label": "Numbers of two readings", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].after.reveal": {"label": "The right answer is told", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].after.hold_ms": {"label": "The run holds", "hint": "", "empty": "", "short": "", "within": [0, 60000]},
  "rounds[].after.own_words_alone": {"label": "Questions’ own words alone", "hint": "in place of “Right.” and “Not this time. It is …”", "empty": "", "short": "", "within": null},
  "rounds[].moves.right": {"label": "After a right answer", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].moves.wrong": {"label": "After the last wrong try", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].moves.timeout": {"label": "When it is too late", "hint": "", "empty": "", "short": "late", "within": null},
  "rounds[].moves.passed": {"label": "After a pass", "hint": "", "empty": "", "short": "", "within": null},
  "rounds[].seconds": {"label": "Clock of this round", "hint": "seconds", "empty": "none", "short": "", "within": [1, 86400]},
  "endings[].title": {"label": "Name", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].verdict": {"label": "Verdict", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].at_least": {"label": "At least", "hint": "", "empty": "any", "short": "", "within": [-1000000000, 1000000000]},
  "endings[].at_most": {"label": "At most", "hint": "", "empty": "any", "short": "", "within": [-1000000000, 1000000000]},
  "endings[].counts": {"label": "Counts", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].when": {"label": "And only when", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].at_once": {"label": "At once", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].badge": {"label": "Badge", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].cue": {"label": "Cue", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].counts_as_best": {"label": "Can be a best", "hint": "", "empty": "", "short": "", "within": null},
  "endings[].passes": {"label": "Passes a course", "hint": "where the game is taken as one", "empty": "", "short": "", "within": null},
  "endings[].picture": {"label": "Picture", "hint": "", "empty": "", "short": "", "within": null},
  "opening.words": {"label": "Opening words", "hint": "What players read before they begin. {name} stands for the player.", "empty": "", "short": "", "within": null},
  "opening.asks_names": {"label": "Ask for names", "hint": "", "empty": "", "short": "", "within": null},
  "opening.most_players": {"label": "Players at most", "hint": "take turns", "empty": "", "short": "", "within": [1, 4]},
  "opening.equal_turns": {"label": "Everybody has as many turns", "hint": "an ending that comes at once waits until the others have had their turn", "empty": "", "short": "", "within": null},
  "opening.rounds": {"label": "Which rounds are played", "hint": "", "empty": "", "short": "", "within": null},
  "opening.narration": {"label": "The opening is read out in", "hint": "", "empty": "", "short": "", "within": null},
  "opening.reads_aloud": {"label": "Read by a made voice", "hint": "", "empty": "", "short": "", "within": null},
  "opening.asks_remark": {"label": "Ask for a remark at the end", "hint": "what players type there is kept with their run", "empty": "", "short": "", "within": null},
  "cues[].name": {"label": "Name", "hint": "", "empty": "", "short": "", "within": null},
  "cues[].on[]": {"label": "Played when", "hint": "", "empty": "", "short": "", "within": null},
  "cues[].words": {"label": "Says", "hint": "", "empty": "", "short": "", "within": null},
  "cues[].hold_ms": {"label": "Holds the run", "hint": "", "empty": "", "short": "", "within": [0, 60000]},
  "cues[].sound": {"label": "Sound", "hint": "", "empty": "", "short": "", "within": null},
  "cues[].effect": {"label": "Effect", "hint": "", "empty": "", "short": "", "within": null},
  "cues[].words_alone": {"label": "Its words alone", "hint": "in place of “Right.” and “Not this time. It is …”", "empty": "", "short": "", "within": null},
  "cues[].streak": {"label": "Streak of", "hint": "right in a row", "empty": "", "short": "", "within": [2, 100]},
  "cues[].last_seconds": {"label": "Ticks in the last", "hint": "seconds", "empty": "", "short": "", "within": [1, 60]},
  "seconds": {"label": "Clock of the game", "hint": "seconds", "empty": "none", "short": "", "within": [1, 86400]},
  "sounds[].name": {"label": "Name of the sound", "hint": "", "empty": "", "short": "", "within": null},
  "sounds[].notes[].ms": {"label": "", "hint": "", "empty": "", "short": "", "within": [20, 2000]},
  "sounds[].wave": {"label": "Wave", "hint": "", "empty": "", "short": "", "within": null},
  "sounds[].attack_ms": {"label": "Grows loud in", "hint": "ms", "empty": "", "short": "", "within": [0, 500]},
  "sounds[].release_ms": {"label": "Rings on for", "hint": "ms", "empty": "", "short": "", "within": [0, 2000]},
  "sounds[].loudness": {"label": "Loudness", "hint": "", "empty": "", "short": "", "within": [0, 100]},
  "best": {"label": "The best runs are those with", "hint": "", "empty": "", "short": "", "within": null},
  "look.colours.ground": {"label": "Ground", "hint": "the page behind everything", "empty": "", "short": "", "within": null},
  "look.colours.card": {"label": "Card", "hint": "what the question stands on", "empty": "", "short": "", "within": null},
  "look.colours.ink": {"label": "Ink", "hint": "words", "empty": "", "short": "", "within": null},
  "look.colours.accent": {"label": "Accent", "hint": "the one button to press next", "empty": "", "short": "", "within": null},
  "look.colours.right": {"label": "Right", "hint": "what was right", "empty": "", "short": "", "within": null},
  "look.colours.wrong": {"label": "Wrong", "hint": "what was wrong", "empty": "", "short": "", "within": null},
  "look.headings": {"label": "Headings", "hint": "", "empty": "", "short": "", "within": null},
  "look.text": {"label": "Everything else", "hint": "", "empty": "", "short": "", "within": null},
  "look.choices": {"label": "Choices stand", "hint": "", "empty": "", "short": "", "within": null},
  "look.picture_at": {"label": "A question's picture", "hint": "", "empty": "", "short": "", "within": null},
  "look.corner": {"label": "Corners", "hint": "", "empty": "", "short": "", "within": null},
  "look.density": {"label": "Room", "hint": "", "empty": "", "short": "", "within": null},
  "look.opening_picture": {"label": "Picture at the opening", "hint": "", "empty": "", "short": "", "within": null},
  "look.opening": {"label": "Background of the opening", "hint": "", "empty": "", "short": "", "within": null},
  "look.opening.fit": {"label": "It fits", "hint": "", "empty": "", "short": "", "within": null},
  "look.opening.dimmed": {"label": "Dimmed", "hint": "percent, towards the ground", "empty": "", "short": "", "within": [0, 95]},
  "look.playing": {"label": "Background of the questions", "hint": "", "empty": "", "short": "", "within": null},
  "look.playing.fit": {"label": "It fits", "hint": "", "empty": "", "short": "", "within": null},
  "look.playing.dimmed": {"label": "Dimmed", "hint": "percent, towards the ground", "empty": "", "short": "", "within": [0, 95]},
  "look.ending": {"label": "Background of the endings", "hint": "", "empty": "", "short": "", "within": null},
  "look.ending.fit": {"label": "It fits", "hint": "", "empty": "", "short": "", "within": null},
  "look.ending.dimmed": {"label": "Dimmed", "hint": "percent, towards the ground", "empty": "", "short": "", "within": [0, 95]},
  "look.music.opening": {"label": "At the opening", "hint": "", "empty": "", "short": "", "within": null},
  "look.music.playing": {"label": "While it is played", "hint": "", "empty": "", "short": "", "within": null},
  "look.music.ending": {"label": "After the end", "hint": "", "empty": "", "short": "", "within": null},
  "look.music.loudness": {"label": "Loudness", "hint": "percent", "empty": "", "short": "", "within": [0, 100]},
  "look.shows_die": {"label": "A die beside the title", "hint": "", "empty": "", "short": "", "within": null},
  "look.die_picture": {"label": "A picture in place of the die", "hint": "", "empty": "", "short": "", "within": null},
  "language": {"label": "Language of the game", "hint": "", "empty": "", "short": "", "within": null},
  "counters[].name": {"label": "Counter", "hint": "", "empty": "", "short": "", "within": null},
  "counters[].label": {"label": "Players read", "hint": "", "empty": "its name", "short": "", "within": null},
  "counters[].hidden": {"label": "Kept from players", "hint": "", "empty": "", "short": "", "within": null},
  "details.topic": {"label": "Topic", "hint": "", "empty": "", "short": "", "within": null},
  "details.level": {"label": "Level", "hint": "", "empty": "", "short": "", "within": [1, 5]},
  "details.worth": {"label": "Worth", "hint": "", "empty": "", "short": "", "within": [-1000000000, 1000000000]},
  "details.seconds": {"label": "Seconds", "hint": "", "empty": "", "short": "", "within": [1, 3600]},
  "details.hint": {"label": "Hint", "hint": "", "empty": "", "short": "", "within": null},
  "details.note": {"label": "Note", "hint": "", "empty": "", "short": "", "within": null},
  "details.picture": {"label": "Picture", "hint": "", "empty": "", "short": "", "within": null},
  "details.sound": {"label": "Sound", "hint": "", "empty": "", "short": "", "within": null},
  "details.narration": {"label": "Narration", "hint": "", "empty": "", "short": "", "within": null},
  "details.tolerance": {"label": "Tolerance", "hint": "", "empty": "", "short": "", "within": null},
  "details.pinned": {"label": "Pinned choice", "hint": "", "empty": "", "short": "", "within": null},
  "details.shows": {"label": "Choices are", "hint": "", "empty": "", "short": "", "within": null},
  "details.misses": {"label": "Misses", "hint": "", "empty": "", "short": "", "within": [1, 20]},
  "details.needs": {"label": "Needs", "hint": "of the right answers", "empty": "", "short": "", "within": null},
  "details.when_right": {"label": "Said when right", "hint": "", "empty": "", "short": "", "within": null},
  "details.when_wrong": {"label": "Said when wrong", "hint": "", "empty": "", "short": "", "within": null},
  "scout.name": {"label": "Name", "hint": "", "empty": "", "short": "", "within": null},
  "scout.right[]": {"label": "Right at the first try, by level", "hint": "", "empty": "", "short": "", "within": [0, 100]},
  "scout.guesses": {"label": "Guesses", "hint": "one of the choices, each as likely", "empty": "", "short": "", "within": null},
  "scout.again": {"label": "Found at each further try", "hint": "% of what was missed", "empty": "", "short": "", "within": [0, 100]},
  "scout.close": {"label": "Typing slips", "hint": "% of what is typed right", "empty": "", "short": "", "within": [0, 100]},
  "scout.passes": {"label": "Passes", "hint": "% where it can", "empty": "", "short": "", "within": [0, 100]},
  "scout.hints": {"label": "Takes the hint", "hint": "% where there is one", "empty": "", "short": "", "within": [0, 100]},
  "scout.helped": {"label": "Found with the hint", "hint": "% of what would be missed", "empty": "", "short": "", "within": [0, 100]},
  "scout.median_ms": {"label": "Half of the answers come within", "hint": "", "empty": "", "short": "", "within": [100, 600000]},
  "scout.letter_ms": {"label": "Half of the letters come within", "hint": "", "empty": "", "short": "", "within": [100, 600000]},
  "scout.spread": {"label": "Spread of the times", "hint": "hundredths of the logarithm", "empty": "", "short": "", "within": [0, 300]},
  "scout.goes_on_ms": {"label": "Goes on after", "hint": "", "empty": "", "short": "", "within": [0, 600000]},
  "scout.picks": {"label": "Picks of a menu of rounds", "hint": "", "empty": "", "short": "", "within": null},
  "scout.own[].prompt": {"label": "Question", "hint": "", "empty": "", "short": "", "within": null},
  "scout.own[].right": {"label": "Right at the first try", "hint": "", "empty": "", "short": "", "within": [0, 100]},
};

/** The ready sheets of cues. */
export const CUE_SHEETS: { name: string; words: string; cues: Cue[] }[] = [
  {
    "name": "quiet",
    "words": "a mark and a word, and nothing to hear",
    "cues": [
      {
        "name": "right",
        "on": [
          "right"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "",
        "effect": "mark",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "close",
        "on": [
          "close"
        ],
        "words": "Near enough.",
        "hold_ms": null,
        "until_continue": false,
        "sound": "",
        "effect": "mark",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "wrong",
        "on": [
          "wrong",
          "late"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "",
        "effect": "mark",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      }
    ]
  },
  {
    "name": "cheerful",
    "words": "bells, falling leaves and a face that is glad with you",
    "cues": [
      {
        "name": "ripe",
        "on": [
          "right"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "ripe",
        "effect": "face",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "nearly ripe",
        "on": [
          "close"
        ],
        "words": "A slip, forgiven.",
        "hold_ms": null,
        "until_continue": false,
        "sound": "nearly ripe",
        "effect": "face",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "bruised",
        "on": [
          "wrong"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "bump",
        "effect": "face",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "three in a row",
        "on": [
          "streak"
        ],
        "words": "{streak} in a row!",
        "hold_ms": null,
        "until_continue": false,
        "sound": "in a row",
        "effect": "leaves",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "home",
        "on": [
          "ending"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "first prize",
        "effect": "leaves",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      }
    ]
  },
  {
    "name": "tense",
    "words": "a clock that ticks, a flash, and hardly a word",
    "cues": [
      {
        "name": "hit",
        "on": [
          "right"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "spade down",
        "effect": "count",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "miss",
        "on": [
          "wrong"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "bump",
        "effect": "shake",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "frost",
        "on": [
          "late"
        ],
        "words": "Too late.",
        "hold_ms": null,
        "until_continue": false,
        "sound": "frost",
        "effect": "shake",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "dripping",
        "on": [
          "tick"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "drip",
        "effect": "none",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "last chance",
        "on": [
          "life lost"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "",
        "effect": "heart",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      },
      {
        "name": "the bell",
        "on": [
          "ending"
        ],
        "words": "",
        "hold_ms": null,
        "until_continue": false,
        "sound": "supper bell",
        "effect": "flash",
        "words_alone": false,
        "streak": 3,
        "last_seconds": 5
      }
    ]
  }
];

/** The ready looks. */
export const READY_LOOKS: { name: string; words: string; look: Look }[] = [
  {
    "name": "garden table",
    "words": "paper, ink and moss, as the workbench itself",
    "look": {
      "colours": {
        "ground": "#f7f2e8",
        "card": "#fffdf8",
        "ink": "#1f2a2e",
        "accent": "#a8482a",
        "right": "#3f6b4f",
        "wrong": "#8c3a20"
      },
      "headings": "bookish",
      "text": "plain",
      "choices": "rows",
      "picture_at": "above",
      "corner": "slight",
      "density": "usual",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  },
  {
    "name": "potting shed at night",
    "words": "lamplight on dark boards",
    "look": {
      "colours": {
        "ground": "#14110f",
        "card": "#241d18",
        "ink": "#f6ead6",
        "accent": "#f0a640",
        "right": "#9fd68a",
        "wrong": "#ff9d85"
      },
      "headings": "bookish",
      "text": "round",
      "choices": "rows",
      "picture_at": "above",
      "corner": "round",
      "density": "usual",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  },
  {
    "name": "seed packet",
    "words": "bright print on cream, two choices abreast",
    "look": {
      "colours": {
        "ground": "#f3c53c",
        "card": "#fff8e1",
        "ink": "#2b1d0e",
        "accent": "#b3261e",
        "right": "#2c6e2f",
        "wrong": "#a3161c"
      },
      "headings": "round",
      "text": "round",
      "choices": "grid",
      "picture_at": "above",
      "corner": "round",
      "density": "wide",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  },
  {
    "name": "greenhouse",
    "words": "cool glass and leaves, the picture beside the choices",
    "look": {
      "colours": {
        "ground": "#d5ebe3",
        "card": "#fbfffd",
        "ink": "#10302a",
        "accent": "#0b6e5d",
        "right": "#22702f",
        "wrong": "#a12a4a"
      },
      "headings": "plain",
      "text": "plain",
      "choices": "rows",
      "picture_at": "beside",
      "corner": "slight",
      "density": "usual",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  },
  {
    "name": "slate and chalk",
    "words": "written by hand on a dark board",
    "look": {
      "colours": {
        "ground": "#1d2a2c",
        "card": "#26383a",
        "ink": "#f4f7f2",
        "accent": "#f2d16b",
        "right": "#b5e48c",
        "wrong": "#ffb3a7"
      },
      "headings": "by hand",
      "text": "by hand",
      "choices": "rows",
      "picture_at": "above",
      "corner": "square",
      "density": "usual",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  },
  {
    "name": "plain print",
    "words": "black on white, close together, to be read from afar",
    "look": {
      "colours": {
        "ground": "#ffffff",
        "card": "#ffffff",
        "ink": "#000000",
        "accent": "#1a3fb0",
        "right": "#0b5d1e",
        "wrong": "#a00000"
      },
      "headings": "even",
      "text": "plain",
      "choices": "rows",
      "picture_at": "above",
      "corner": "square",
      "density": "close",
      "opening_picture": "",
      "opening": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "playing": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "ending": {
        "picture": "",
        "fit": "cover",
        "dimmed": 40
      },
      "music": {
        "opening": "",
        "playing": "",
        "ending": "",
        "loudness": 40
      },
      "shows_die": true,
      "die_picture": ""
    }
  }
];

/** What words can have filled in besides counters, each with what it is. */
export const PLACES: Record<string, string> = {
  "name": "the player's name",
  "player_number": "the player's number, from 1",
  "number": "the question's number in its round, from 1",
  "round_number": "the round's number, from 1",
  "asked": "how many questions are done with",
  "points": "the score with its word: 1 point, 3 points",
  "badge": "what the ending's badge is called",
  "asked_count": "questions asked so far, this one included; one asked anew counts once",
  "right_count": "questions answered right so far",
  "wrong_count": "questions done with and not answered right: wrong, too late or passed",
  "streak": "right answers in a row, up to now",
  "best_streak": "the longest streak of the run",
  "mistakes": "wrong answers at every try, late ones, and letters missed",
  "right_worth": "the worth of the questions answered right; a worth below 0 adds nothing",
  "done_worth": "the worth of all questions done with: what could have been had so far",
  "percent": "right questions among those done with, in percent, rounded half up",
  "worth_percent": "right_worth of done_worth, in percent, rounded half up"
};

/** Those that mean something only once a run has ended. */
export const ONLY_AT_END: string[] = [
  "badge"
];

/** The ready scouts. */
export const SCOUTS: Scout[] = [
  {
    "name": "guessing",
    "right": [
      20,
      15,
      10,
      5,
      5
    ],
    "guesses": true,
    "again": 0,
    "close": 5,
    "passes": 0,
    "hints": 0,
    "helped": 30,
    "median_ms": 3000,
    "letter_ms": 1000,
    "spread": 40,
    "goes_on_ms": 800,
    "picks": "first",
    "own": []
  },
  {
    "name": "beginner",
    "right": [
      70,
      55,
      40,
      30,
      20
    ],
    "guesses": false,
    "again": 25,
    "close": 5,
    "passes": 0,
    "hints": 0,
    "helped": 30,
    "median_ms": 9000,
    "letter_ms": 3000,
    "spread": 60,
    "goes_on_ms": 2500,
    "picks": "first",
    "own": []
  },
  {
    "name": "steady",
    "right": [
      85,
      75,
      65,
      50,
      40
    ],
    "guesses": false,
    "again": 30,
    "close": 5,
    "passes": 0,
    "hints": 0,
    "helped": 30,
    "median_ms": 6000,
    "letter_ms": 2000,
    "spread": 50,
    "goes_on_ms": 1500,
    "picks": "first",
    "own": []
  },
  {
    "name": "expert",
    "right": [
      97,
      95,
      90,
      85,
      75
    ],
    "guesses": false,
    "again": 50,
    "close": 2,
    "passes": 0,
    "hints": 0,
    "helped": 30,
    "median_ms": 4000,
    "letter_ms": 1500,
    "spread": 40,
    "goes_on_ms": 1000,
    "picks": "first",
    "own": []
  },
  {
    "name": "distracted",
    "right": [
      80,
      70,
      60,
      50,
      40
    ],
    "guesses": false,
    "again": 20,
    "close": 10,
    "passes": 0,
    "hints": 0,
    "helped": 30,
    "median_ms": 11000,
    "letter_ms": 4000,
    "spread": 110,
    "goes_on_ms": 3000,
    "picks": "first",
    "own": []
  }
];

/** One value of a few, and the words for it. */
export type Value<T> = { value: T; label: string; hint: string };

/** What is said where there is no game that could say it in its own words. */
export const IN_ENGLISH: Dress["phrases"] = {
  "untitled": {"other": "A game without a title"},
  "your name": {"other": "Your name"},
  "name of player": {"other": "Name of player {number}"},
  "another player": {"other": "Another player"},
  "to the table": {"other": "To the table"},
  "player": {"other": "Player"},
  "player numbered": {"other": "Player {number}"},
  "kept of you": {"other": "Kept of you for the maker of this game: the name you give, your answers and when you gave them. The maker can delete them for good."},
  "laying": {"other": "Laying the table…"},
  "begin": {"other": "Begin"},
  "questions": {"one": "{count} question", "other": "{count} questions"},
  "how many": {"other": "How many questions, 1 to {most}?"},
  "rounds": {"other": "Rounds"},
  "played": {"other": "played"},
  "sound with a press": {"other": "Sound begins with your first press."},
  "question number": {"other": "Question {number}"},
  "question of": {"other": "Question {number} of {count}"},
  "question up to": {"other": "Question {number} of {count} at most"},
  "has the turn": {"other": "has the turn"},
  "is out": {"other": "is out"},
  "score": {"other": "Score"},
  "lives": {"other": "Lives"},
  "clock of the question": {"other": "Clock of the question"},
  "clock of the round": {"other": "Clock of the round"},
  "clock of the game": {"other": "Clock of the game"},
  "of the question": {"other": "question"},
  "of the round": {"other": "round"},
  "of the game": {"other": "game"},
  "seconds": {"other": "{count} s"},
  "seconds left": {"one": "{count} second left", "other": "{count} seconds left"},
  "tries left": {"other": "Tries left: {count}."},
  "misses left": {"one": "{count} miss left.", "other": "{count} misses left."},
  "pick all": {"other": "Pick every right one, then answer."},
  "answer with": {"one": "Answer with {count} choice", "other": "Answer with {count} choices"},
  "answer": {"other": "Answer"},
  "type answer": {"other": "Type your answer"},
  "or type": {"other": "Or type your answer"},
  "or say": {"other": "Or say the whole of it"},
  "hint": {"other": "Hint"},
  "hint is": {"other": "Hint: {hint}"},
  "pass": {"other": "Pass"},
  "letters": {"other": "Letters"},
  "tried": {"other": "{sign}, tried"},
  "blank": {"other": "blank"},
  "picked": {"other": "picked"},
  "right answer": {"other": "right answer"},
  "your answer": {"other": "your answer"},
  "picture of the question": {"other": "The picture this question is about"},
  "sound of the question": {"other": "the sound this question is about"},
  "picture choice": {"other": "Picture {letter}"},
  "sound choice": {"other": "Sound {letter}"},
  "hear it": {"other": "Hear it"},
  "stop it": {"other": "Stop"},
  "sound is off": {"other": "Sound is off."},
  "cannot hear": {"other": "This sound cannot be played here."},
  "read out": {"other": "Read out"},
  "no voice": {"other": "There is no voice on this device to read it out."},
  "right": {"other": "Right."},
  "close": {"other": "Close enough."},
  "wrong": {"other": "Not this time."},
  "late": {"other": "Too late."},
  "was passed": {"other": "Passed."},
  "hit": {"other": "Yes."},
  "miss": {"other": "No."},
  "unreadable": {"other": "That could not be read: {why}. It costs nothing; answer again."},
  "it is": {"other": "It is {answer}."},
  "go on": {"other": "Go on"},
  "choice named": {"other": "{letter}, “{choice}”"},
  "choice amid": {"other": "{letter}, “{choice}”,"},
  "quoted": {"other": "“{text}”"},
  "list and": {"other": "{some} and {last}"},
  "list or": {"other": "{some} or {last}"},
  "is the right": {"other": "{choice} is the right answer"},
  "is a right": {"other": "{choice} is a right answer"},
  "is not right": {"other": "{choice} is not the right answer"},
  "are not all": {"other": "{choices} are not all the right answers alone"},
  "are all": {"one": "{choices} is all the right answers", "other": "{choices} are all the right answers"},
  "are all but": {"one": "{choices} are right but for {count} typo", "other": "{choices} are right but for {count} typos"},
  "typed right": {"other": "“{typed}” is the right answer"},
  "typed read": {"other": "“{typed}” is the right answer, read as “{answer}”"},
  "typed wrong": {"other": "“{typed}” is not the right answer"},
  "typos apart": {"other": "“{typed}” is {typos} from “{answer}”; {allowed}"},
  "typos": {"one": "one typo", "other": "{count} typos"},
  "typos allowed": {"one": "one is allowed", "other": "{count} are allowed"},
  "number right": {"other": "{typed} is the right answer"},
  "number near": {"other": "{typed} is the right answer, within {tolerance} of {right}"},
  "number wrong": {"other": "{typed} is not the right answer"},
  "with how": {"other": "{why}; {how}"},
  "as thousands": {"other": "the {mark} was read as a thousands mark"},
  "as decimal": {"other": "the {mark} was read as a decimal mark"},
  "comma": {"other": "comma"},
  "point": {"other": "point"},
  "letter stands": {"other": "“{letter}” stands in it"},
  "letter not": {"other": "“{letter}” does not stand in it"},
  "all found": {"other": "every letter is found"},
  "time over": {"other": "the time is over"},
  "passed why": {"other": "passed"},
  "nothing picked": {"other": "nothing was picked"},
  "no choice": {"other": "there is no choice {number}; {offer}"},
  "offer": {"other": "the choices are A to {letter}"},
  "only one": {"other": "only one choice is wanted; pick one"},
  "nothing typed": {"other": "nothing was typed"},
  "no word": {"other": "no word was typed"},
  "nothing to pick": {"other": "there is nothing to pick; type the answer"},
  "no number": {"other": "“{typed}” is not a number"},
  "names none": {"other": "“{typed}” names no choice; {offer}"},
  "could be": {"other": "“{typed}” could be {letters}; pick one"},
  "too long": {"other": "the answer has {count} characters; {most} are read at most"},
  "too long a word": {"other": "the answer is too long to be the word"},
  "not taken": {"other": "Not taken: {why}."},
  "before begun": {"other": "before the run has begun"},
  "waits": {"other": "while a question waits for its answer"},
  "feedback shown": {"other": "while the feedback is shown"},
  "after the end": {"other": "after the end"},
  "other question": {"other": "because it was meant for question {number} of the run, which is gone"},
  "no round": {"other": "because there is no such round to choose"},
  "round played": {"other": "because that round has been played"},
  "number set": {"other": "because the number of questions is set"},
  "unless so many": {"other": "unless 1 to {most} questions are wanted"},
  "no letters": {"other": "because the question is not a word to find"},
  "one letter": {"other": "unless it is one letter or digit"},
  "letter tried": {"other": "because “{letter}” was tried before"},
  "no hints": {"other": "because this round gives no hints"},
  "has no hint": {"other": "because the question has no hint"},
  "hint shown": {"other": "because the hint is shown already"},
  "no passing": {"other": "because this round lets no question pass"},
  "no end here": {"other": "because the run ends by itself, or no ending is there for it yet"},
  "not yet": {"other": "before the hold is over, in {count} ms"},
  "the end": {"other": "The end"},
  "given up": {"other": "Given up"},
  "badge rosette": {"other": "rosette"},
  "badge marrow": {"other": "marrow"},
  "badge basket": {"other": "basket"},
  "badge sprout": {"other": "sprout"},
  "badge trowel": {"other": "trowel"},
  "badge slug": {"other": "slug"},
  "points": {"one": "{count} point", "other": "{count} points"},
  "so many right": {"other": "{right} of {asked} right, {percent} %"},
  "play again": {"other": "Play again"},
  "share": {"other": "Share the result"},
  "shared": {"other": "The result is copied."},
  "share words": {"other": "{title}: {ending}, {points}"},
  "best so far": {"other": "This is the best so far."},
  "best scores": {"other": "Best scores"},
  "lowest scores": {"other": "Best scores, the lowest first"},
  "fastest runs": {"other": "Fastest runs"},
  "your scores": {"other": "Your scores"},
  "when": {"other": "When"},
  "ending": {"other": "Ending"},
  "time": {"other": "Time"},
  "just now": {"other": "just now"},
  "minutes ago": {"one": "{count} minute ago", "other": "{count} minutes ago"},
  "hours ago": {"one": "{count} hour ago", "other": "{count} hours ago"},
  "days ago": {"one": "{count} day ago", "other": "{count} days ago"},
  "your answers": {"other": "Your answers"},
  "no answer": {"other": "no answer"},
  "as right": {"other": "right"},
  "as close": {"other": "close enough"},
  "as wrong": {"other": "wrong"},
  "as late": {"other": "too late"},
  "as passed": {"other": "passed"},
  "remark": {"other": "A remark for the maker"},
  "send remark": {"other": "Send it"},
  "thanks": {"other": "Thank you: your remark is kept with this run."},
  "this run": {"other": "This run"},
  "stop here": {"other": "Stop here"},
  "begin anew": {"other": "Begin anew"},
  "other names": {"other": "Other names"},
  "leave": {"other": "Leave the game"},
  "older version": {"other": "The game was changed since this run began; the run goes on as it began."},
  "settings": {"other": "Settings"},
  "mute": {"other": "Mute"},
  "sound is on": {"other": "Sound is on"},
  "no music": {"other": "No music"},
  "light as the device": {"other": "Look: light or dark, as the device"},
  "light": {"other": "Look: light"},
  "dark": {"other": "Look: dark"},
  "larger text": {"other": "Larger text"},
  "connection lost": {"other": "The connection is lost. What you did is sent as soon as it is back."},
  "in the queue": {"other": "Very many are playing just now. Your turn comes by itself."},
  "is gone": {"other": "This is not here any more."},
  "too often": {"other": "That was too often. Wait a moment and try again."},
  "moved on": {"other": "This run has gone on elsewhere; this is how it stands now."},
  "not playable": {"other": "This game cannot be played now. Its maker has something to mend."},
  "trouble": {"other": "Something went wrong. Try again."},
  "try again": {"other": "Try again"},
  "kept here": {"other": "What you do stays on this device: the name you give, your answers and when you gave them."},
  "save answers": {"other": "Save the answers as a file"},
  "from disk": {"other": "Browsers do not play this straight from a disk. In its folder, type {command} and open {address}."},
  "true": {"other": "true"},
  "false": {"other": "false"},
  "sort prompt": {"other": "Where does “{item}” belong?"},
  "odd prompt": {"other": "Which is the odd one out?"},
  "press enter": {"other": "Press Enter to begin."},
  "type round": {"other": "Type the number of a round."},
  "enter takes": {"other": "Enter takes {count}."},
  "such as": {"other": "Every right one is wanted, such as A, C."},
  "enter goes on": {"other": "Enter goes on"},
  "wait": {"other": "wait"},
  "key hint": {"other": "/hint"},
  "key pass": {"other": "/pass"},
  "key quit": {"other": "/quit"},
};

export const VALUES: {
  ListsAsk: Value<ListsAsk>[];
  Operator: Value<Operator>[];
  Made: Value<Made>[];
  Shows: Value<Shows>[];
  Leaves: Value<Leaves>[];
  DrawOrder: Value<DrawOrder>[];
  Refill: Value<Refill>[];
  Order: Value<Order>[];
  DecimalMark: Value<DecimalMark>[];
  Reveal: Value<Reveal>[];
  To: Value<To>[];
  Badge: Value<Badge>[];
  RoundOrder: Value<RoundOrder>[];
  Occasion: Value<Occasion>[];
  Effect: Value<Effect>[];
  Wave: Value<Wave>[];
  Best: Value<Best>[];
  Typeface: Value<Typeface>[];
  ChoicesAs: Value<ChoicesAs>[];
  PictureAt: Value<PictureAt>[];
  Corner: Value<Corner>[];
  Density: Value<Density>[];
  Fit: Value<Fit>[];
  Language: Value<Language>[];
  Kind: Value<Kind>[];
  Needs: Value<Needs>[];
  Format: Value<Format>[];
  Separator: Value<Separator>[];
  Role: Value<Role>[];
  Contents: Value<Contents>[];
  Habit: Value<Habit>[];
  Seen: Value<Seen>[];
} = {
  "ListsAsk": [{"value": "sort", "label": "Where does an item belong?", "hint": ""}, {"value": "odd one out", "label": "Which is the odd one out?", "hint": ""}],
  "Operator": [{"value": "plus", "label": "+ plus", "hint": ""}, {"value": "minus", "label": "− minus", "hint": ""}, {"value": "times", "label": "× times", "hint": ""}, {"value": "over", "label": "÷ divided by, whole quotients", "hint": ""}],
  "Made": [{"value": "choice", "label": "Picked from choices", "hint": "the wrong ones are drawn from other rows"}, {"value": "typed", "label": "Typed", "hint": ""}, {"value": "number", "label": "A number", "hint": ""}, {"value": "letters", "label": "Letter by letter", "hint": ""}],
  "Shows": [{"value": "text", "label": "text", "hint": ""}, {"value": "picture", "label": "picture", "hint": ""}, {"value": "sound", "label": "sound", "hint": ""}],
  "Leaves": [{"value": "none", "label": "nothing: every row can come again", "hint": ""}, {"value": "right", "label": "rows that were the right answer", "hint": ""}, {"value": "picked", "label": "rows that were right, and those picked", "hint": ""}],
  "DrawOrder": [{"value": "shuffled", "label": "Shuffled", "hint": ""}, {"value": "written", "label": "As written", "hint": ""}, {"value": "easy first", "label": "Easy ones first", "hint": ""}, {"value": "weighted", "label": "Levels by weight", "hint": ""}],
  "Refill": [{"value": "never", "label": "The round is over", "hint": ""}, {"value": "when empty", "label": "Fill it again", "hint": ""}, {"value": "each time", "label": "It never is: questions go back at once", "hint": ""}],
  "Order": [{"value": "shuffled", "label": "Shuffled", "hint": "the right answer can stand anywhere"}, {"value": "written", "label": "As written", "hint": "the right answer always stands at A"}],
  "DecimalMark": [{"value": "language", "label": "As the game's language writes them", "hint": ""}, {"value": "point", "label": "1,250 is over a thousand, 1.250 is not", "hint": ""}, {"value": "comma", "label": "1.250 is over a thousand, 1,250 is not", "hint": ""}],
  "Reveal": [{"value": "last try", "label": "Once the question is done with", "hint": ""}, {"value": "always", "label": "After every answer", "hint": ""}, {"value": "never", "label": "Never", "hint": ""}],
  "To": [{"value": "next question", "label": "the next question", "hint": ""}, {"value": "same question", "label": "the same question, asked anew", "hint": ""}, {"value": "next round", "label": "the round is over", "hint": ""}, {"value": "round", "label": "round", "hint": ""}, {"value": "ending", "label": "ending", "hint": ""}],
  "Badge": [{"value": "none", "label": "none", "hint": ""}, {"value": "rosette", "label": "rosette", "hint": ""}, {"value": "marrow", "label": "marrow", "hint": ""}, {"value": "basket", "label": "basket", "hint": ""}, {"value": "sprout", "label": "sprout", "hint": ""}, {"value": "trowel", "label": "trowel", "hint": ""}, {"value": "slug", "label": "slug", "hint": ""}],
  "RoundOrder": [{"value": "in order", "label": "All, in order", "hint": "one after the other"}, {"value": "choose one", "label": "One, from a menu", "hint": "the game is over after it"}, {"value": "choose each", "label": "All, from a menu", "hint": "the player picks each next one"}],
  "Occasion": [{"value": "opening", "label": "opening", "hint": ""}, {"value": "question shown", "label": "question shown", "hint": ""}, {"value": "right", "label": "right", "hint": ""}, {"value": "close", "label": "close", "hint": ""}, {"value": "wrong", "label": "wrong", "hint": ""}, {"value": "late", "label": "late", "hint": ""}, {"value": "passed", "label": "passed", "hint": ""}, {"value": "hint", "label": "hint", "hint": ""}, {"value": "press", "label": "press", "hint": ""}, {"value": "letter hit", "label": "letter hit", "hint": ""}, {"value": "letter miss", "label": "letter miss", "hint": ""}, {"value": "life lost", "label": "life lost", "hint": ""}, {"value": "life won", "label": "life won", "hint": ""}, {"value": "streak", "label": "streak", "hint": ""}, {"value": "tick", "label": "tick", "hint": ""}, {"value": "round over", "label": "round over", "hint": ""}, {"value": "ending", "label": "ending", "hint": ""}, {"value": "new best score", "label": "new best score", "hint": ""}],
  "Effect": [{"value": "none", "label": "none", "hint": ""}, {"value": "mark", "label": "mark over the answer", "hint": ""}, {"value": "shake", "label": "shake", "hint": ""}, {"value": "flash", "label": "flash", "hint": ""}, {"value": "leaves", "label": "falling leaves", "hint": ""}, {"value": "token", "label": "the die jumps", "hint": ""}, {"value": "heart", "label": "a heart falls", "hint": ""}, {"value": "seed", "label": "a seed falls", "hint": ""}, {"value": "count", "label": "the score counts up", "hint": ""}, {"value": "face", "label": "a face that reacts", "hint": ""}],
  "Wave": [{"value": "sine", "label": "sine, soft", "hint": ""}, {"value": "triangle", "label": "triangle, reedy", "hint": ""}, {"value": "square", "label": "square, hollow", "hint": ""}, {"value": "sawtooth", "label": "sawtooth, sharp", "hint": ""}],
  "Best": [{"value": "highest score", "label": "The highest score", "hint": "as most games have it"}, {"value": "lowest score", "label": "The lowest score", "hint": "where points are penalties"}, {"value": "fastest", "label": "The shortest time", "hint": "among endings that can be a best"}],
  "Typeface": [{"value": "bookish", "label": "Bookish", "hint": "with serifs, as in a printed book"}, {"value": "plain", "label": "Plain", "hint": "every letter easily told from every other"}, {"value": "round", "label": "Round", "hint": "also for Cyrillic and Arabic"}, {"value": "by hand", "label": "By hand", "hint": "as if written with a pen; also for Cyrillic"}, {"value": "even", "label": "Even", "hint": "every letter as wide as the next"}],
  "ChoicesAs": [{"value": "rows", "label": "One under the other", "hint": ""}, {"value": "grid", "label": "Two abreast", "hint": ""}, {"value": "pictures", "label": "As large pictures", "hint": "where the choices are pictures; else two abreast"}],
  "PictureAt": [{"value": "above", "label": "Above the choices", "hint": ""}, {"value": "beside", "label": "Beside them", "hint": "above them on a narrow screen"}],
  "Corner": [{"value": "square", "label": "Square", "hint": ""}, {"value": "slight", "label": "Slightly rounded", "hint": ""}, {"value": "round", "label": "Round", "hint": ""}],
  "Density": [{"value": "close", "label": "Close together", "hint": ""}, {"value": "usual", "label": "As usual", "hint": ""}, {"value": "wide", "label": "Wide apart", "hint": ""}],
  "Fit": [{"value": "cover", "label": "Fill the page", "hint": "what does not fit is cut off"}, {"value": "whole", "label": "Show it whole", "hint": ""}, {"value": "tiled", "label": "Lay it side by side", "hint": ""}],
  "Language": [{"value": "en", "label": "English", "hint": ""}, {"value": "de", "label": "Deutsch", "hint": ""}, {"value": "fr", "label": "Français", "hint": ""}, {"value": "es", "label": "Español", "hint": ""}, {"value": "it", "label": "Italiano", "hint": ""}, {"value": "pt", "label": "Português", "hint": ""}, {"value": "nl", "label": "Nederlands", "hint": ""}, {"value": "pl", "label": "Polski", "hint": ""}, {"value": "uk", "label": "Українська", "hint": ""}, {"value": "ar", "label": "العربية", "hint": ""}],
  "Kind": [{"value": "choice", "label": "choice", "hint": ""}, {"value": "truth", "label": "true or false", "hint": ""}, {"value": "typed", "label": "typed answer", "hint": ""}, {"value": "number", "label": "number", "hint": ""}, {"value": "letters", "label": "letters", "hint": ""}, {"value": "sort", "label": "sort into groups", "hint": ""}],
  "Needs": [{"value": "any", "label": "any one will do", "hint": ""}, {"value": "all", "label": "all are wanted, picked together", "hint": ""}],
  "Format": [{"value": "table", "label": "rows of text", "hint": ""}, {"value": "xlsx", "label": "a workbook", "hint": ""}, {"value": "json", "label": "JSON", "hint": ""}, {"value": "yaml", "label": "YAML", "hint": ""}, {"value": "keyed", "label": "objects by their keys", "hint": ""}, {"value": "drawn", "label": "a table in a text", "hint": ""}, {"value": "written", "label": "questions written out", "hint": ""}, {"value": "items", "label": "items of a test (QTI)", "hint": ""}],
  "Separator": [{"value": "tab", "label": "tab", "hint": ""}, {"value": "comma", "label": "comma ,", "hint": ""}, {"value": "semicolon", "label": "semicolon ;", "hint": ""}, {"value": "bar", "label": "bar |", "hint": ""}],
  "Role": [{"value": "question", "label": "question", "hint": ""}, {"value": "right answer", "label": "right answer", "hint": ""}, {"value": "wrong choice", "label": "wrong choice", "hint": ""}, {"value": "reply", "label": "reply", "hint": ""}, {"value": "option", "label": "option", "hint": ""}, {"value": "options in one cell", "label": "options in one cell", "hint": ""}, {"value": "key", "label": "key", "hint": ""}, {"value": "group", "label": "group", "hint": ""}, {"value": "kind", "label": "kind", "hint": ""}, {"value": "topic", "label": "topic", "hint": ""}, {"value": "level", "label": "level", "hint": ""}, {"value": "worth", "label": "worth", "hint": ""}, {"value": "seconds", "label": "seconds", "hint": ""}, {"value": "hint", "label": "hint", "hint": ""}, {"value": "note", "label": "note", "hint": ""}, {"value": "picture", "label": "picture", "hint": ""}, {"value": "sound", "label": "sound", "hint": ""}, {"value": "narration", "label": "narration", "hint": ""}, {"value": "tolerance", "label": "tolerance", "hint": ""}, {"value": "pinned choice", "label": "pinned choice", "hint": ""}, {"value": "choices are", "label": "choices are", "hint": ""}, {"value": "misses", "label": "misses", "hint": ""}, {"value": "needs", "label": "needs", "hint": ""}, {"value": "said when right", "label": "said when right", "hint": ""}, {"value": "said when wrong", "label": "said when wrong", "hint": ""}, {"value": "fact", "label": "kept", "hint": ""}, {"value": "ignored", "label": "ignored", "hint": ""}],
  "Contents": [{"value": "questions", "label": "Questions", "hint": "each row, or each block of lines, is one"}, {"value": "facts", "label": "Facts", "hint": "a table of which rounds make questions by patterns"}],
  "Habit": [{"value": "first", "label": "The first there is", "hint": ""}, {"value": "any", "label": "Any, each as likely", "hint": ""}],
  "Seen": [{"value": "counters", "label": "Counters at the start and the end", "hint": ""}, {"value": "verdict", "label": "What is said of an answer", "hint": ""}, {"value": "note", "label": "Notes", "hint": ""}, {"value": "cue", "label": "Words of cues and rules", "hint": ""}, {"value": "ending", "label": "The ending and its verdict", "hint": ""}],
};

/** The details that are texts, and those that are numbers, in order. */

export const TEXT_DETAILS: { name: "topic" | "hint" | "note" | "picture" | "sound" | "narration" | "tolerance" | "pinned" | "when_right" | "when_wrong"; label: string }[] = [{"name": "topic", "label": "Topic"}, {"name": "hint", "label": "Hint"}, {"name": "note", "label": "Note"}, {"name": "picture", "label": "Picture"}, {"name": "sound", "label": "Sound"}, {"name": "narration", "label": "Narration"}, {"name": "tolerance", "label": "Tolerance"}, {"name": "pinned", "label": "Pinned choice"}, {"name": "when_right", "label": "Said when right"}, {"name": "when_wrong", "label": "Said when wrong"}];

export const NUMBER_DETAILS: { name: "level" | "worth" | "seconds" | "misses"; label: string }[] = [{"name": "level", "label": "Level"}, {"name": "worth", "label": "Worth"}, {"name": "seconds", "label": "Seconds"}, {"name": "misses", "label": "Misses"}];
