// Made from the core by `make api`; not to be changed by hand.
import type { Question, Round, Lists, ItemList, Sums, Cue, Sound, Ending } from "./schema";

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
    "needs": "any"
  }
};

export const NEW_ROUND: Round = {
  "title": "New round",
  "packs": [],
  "lists": [],
  "sums": [],
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
    "passing": false,
    "reads_aloud": false
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
    "decimal_mark": "point",
    "samples": []
  },
  "after": {
    "reveal": "last try",
    "hold_ms": null
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
  "count": 50
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
  "counts_as_best": true
};

/** The least and the most of every number, by where it stands in a game or question. */
export const BOUNDS: Record<string, [number, number]> = {
  "rounds[].lists[].choices": [
    3,
    12
  ],
  "rounds[].sums[].left.least": [
    0,
    1000000
  ],
  "rounds[].sums[].left.most": [
    0,
    1000000
  ],
  "rounds[].sums[].right.least": [
    0,
    1000000
  ],
  "rounds[].sums[].right.most": [
    0,
    1000000
  ],
  "rounds[].sums[].cap": [
    -1000000000,
    1000000000
  ],
  "rounds[].sums[].denominators.least": [
    0,
    1000000
  ],
  "rounds[].sums[].denominators.most": [
    0,
    1000000
  ],
  "rounds[].sums[].choices": [
    0,
    12
  ],
  "rounds[].sums[].count": [
    1,
    1000
  ],
  "rounds[].draw.count": [
    1,
    10000
  ],
  "rounds[].draw.levels[]": [
    1,
    5
  ],
  "rounds[].draw.weights[]": [
    0,
    1000
  ],
  "rounds[].ask.shown": [
    2,
    12
  ],
  "rounds[].ask.tries": [
    1,
    20
  ],
  "rounds[].ask.misses": [
    1,
    20
  ],
  "rounds[].ask.seconds": [
    1,
    3600
  ],
  "rounds[].check.typos": [
    0,
    3
  ],
  "rounds[].after.hold_ms": [
    0,
    60000
  ],
  "rounds[].seconds": [
    1,
    86400
  ],
  "endings[].at_least": [
    -1000000000,
    1000000000
  ],
  "endings[].at_most": [
    -1000000000,
    1000000000
  ],
  "opening.most_players": [
    1,
    4
  ],
  "cues[].hold_ms": [
    0,
    60000
  ],
  "cues[].streak": [
    2,
    100
  ],
  "cues[].last_seconds": [
    1,
    60
  ],
  "seconds": [
    1,
    86400
  ],
  "sounds[].notes[].ms": [
    20,
    2000
  ],
  "sounds[].attack_ms": [
    0,
    500
  ],
  "sounds[].release_ms": [
    0,
    2000
  ],
  "sounds[].loudness": [
    0,
    100
  ],
  "details.level": [
    1,
    5
  ],
  "details.worth": [
    -1000000000,
    1000000000
  ],
  "details.seconds": [
    1,
    3600
  ],
  "details.misses": [
    1,
    20
  ]
};
