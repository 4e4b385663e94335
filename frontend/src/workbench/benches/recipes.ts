type Recipe = { name: string; words: string; script: string };

/** Scripts to begin from. Undo brings the old one back. */
export const RECIPES: Recipe[] = [
  {
    name: "One point each",
    words: "nothing for a wrong answer",
    script: "score = 0\n\ndef right():\n    score += 1\n",
  },
  {
    name: "Three, two, one",
    words: "by the try; set three tries at Ask",
    script: "score = 0\n\ndef right():\n    score += [3, 2, 1][min(tries_used, 3) - 1]\n",
  },
  {
    name: "Quick is worth more",
    words: "a point for each second left; set a clock at Ask",
    script: "score = 0\n\ndef right():\n    score += worth + seconds_left\n",
  },
  {
    name: "Up and down",
    words: "from 15 by 5; end it at once at 30 and at 0",
    script: "score = 15\n\ndef right():\n    score += 5\n\ndef wrong():\n    score -= 5\n",
  },
  {
    name: "Lives",
    words: "three of them; end it at once at lives 0",
    script: "score = 0\nlives = 3\n\ndef right():\n    score += 1\n\ndef wrong():\n    if tries_left == 0:\n        lives -= 1\n",
  },
  {
    name: "Until the first mistake",
    words: "ten points each; end it at once at mistakes 1",
    script: "score = 0\nmistakes = 0\n\ndef right():\n    score += 10\n\ndef wrong():\n    mistakes += 1\n",
  },
  {
    name: "Bonus for a streak",
    words: "five more for each third right answer in a row",
    script: "score = 0\n\ndef right():\n    score += 1\n    if streak % 3 == 0:\n        score += 5\n        tell(\"Three in a row\")\n",
  },
  {
    name: "Sprint",
    words: "three seconds more for each right answer; set a round clock at Ask",
    script: "score = 0\n\ndef right():\n    score += 1\n    add_time(3)\n",
  },
  {
    name: "Turns of two",
    words: "each with a score; let two players play at Open",
    script: "score = 0\n\ndef started():\n    tell(\"{name} is ready\")\n\ndef right():\n    score += 1\n",
  },
];
