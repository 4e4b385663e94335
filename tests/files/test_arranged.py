"""Layouts in which makers write orders, matches and estimates, as they are read at first."""

import unittest

from dicetrail.core import Kind
from dicetrail.files import read_questions
from dicetrail.files.questions import guess

LAYOUTS = (
    (
        "table with kind",
        Kind.MATCH,
        "kind,question,right answer,right answer 2,right answer 3\n"
        "match,Who gives what?,bee = honey,hen = egg,cow = milk\n"
        "match,Whose young is it?,hen = chick,cow = calf,\n",
    ),
    (
        "no headings, pairs in cells",
        Kind.MATCH,
        "Who gives what?\tbee = honey\then = egg\tcow = milk\n"
        "Whose young?\then = chick\tcow = calf\tpig = piglet\n",
    ),
    (
        "one cell semicolons",
        Kind.MATCH,
        "Question;Pairs\n"
        '"Who gives what?";"bee = honey; hen = egg; cow = milk"\n'
        '"Whose young?";"hen = chick; cow = calf"\n',
    ),
    (
        "arrows written",
        Kind.MATCH,
        "Match each animal with what it gives.\n"
        "bee -> honey\n"
        "hen -> egg\n"
        "cow -> milk\n"
        "\n"
        "Whose young is it?\n"
        "hen -> chick\n"
        "cow -> calf\n",
    ),
    (
        "unicode arrows bulleted",
        Kind.MATCH,
        "1. Who gives what?\n"
        "- bee → honey\n"
        "- hen → egg\n"
        "- cow → milk\n"
        "\n"
        "2. Whose young is it?\n"
        "- hen → chick\n"
        "- cow → calf\n",
    ),
    (
        "lettered pairs",
        Kind.MATCH,
        "1) Who gives what?\n"
        "a) bee = honey\n"
        "b) hen = egg\n"
        "c) cow = milk\n"
        "\n"
        "2) Whose young?\n"
        "a) hen = chick\n"
        "b) cow = calf\n",
    ),
    (
        "json",
        Kind.MATCH,
        '[{"question":"Who gives what?","kind":"match","right":["bee = honey","hen = egg"'
        ',"cow = milk"]},{"question":"Whose young?","kind":"match","right":["hen = chick"'
        ',"cow = calf"]}]',
    ),
    (
        "json pairs object",
        Kind.MATCH,
        '[{"question":"Who gives what?","pairs":{"bee":"honey","hen":"egg","cow":"milk"}}'
        ',{"question":"Whose young?","pairs":{"hen":"chick","cow":"calf"}}]',
    ),
    (
        "yaml type matching",
        Kind.MATCH,
        "- question: Who gives what?\n"
        "  type: matching\n"
        "  answer: [bee = honey, hen = egg, cow = milk]\n"
        "- question: Whose young?\n"
        "  type: matching\n"
        "  answer: [hen = chick, cow = calf]\n",
    ),
    (
        "table type matching with colon",
        Kind.MATCH,
        "Type\tQuestion\tPair 1\tPair 2\tPair 3\n"
        "matching\tWho gives what?\tbee: honey\then: egg\tcow: milk\n"
        "matching\tWhose young?\then: chick\tcow: calf\t\n",
    ),
    (
        "left/right columns",
        Kind.MATCH,
        "question,left 1,right 1,left 2,right 2,left 3,right 3\n"
        "Who gives what?,bee,honey,hen,egg,cow,milk\n"
        "Whose young?,hen,chick,cow,calf,,\n",
    ),
    (
        "markdown table",
        Kind.MATCH,
        "| Question | Pairs |\n"
        "|---|---|\n"
        "| Who gives what? | bee = honey; hen = egg; cow = milk |\n"
        "| Whose young? | hen = chick; cow = calf |\n",
    ),
    (
        "json pairs list of lists",
        Kind.MATCH,
        '[{"question":"Who gives what?","pairs":[["bee","honey"],["hen","egg"],["cow","mi'
        'lk"]]},{"question":"Whose young?","pairs":[["hen","chick"],["cow","calf"]]}]',
    ),
    (
        "answer line",
        Kind.MATCH,
        "Q: Who gives what?\n"
        "A: bee = honey, hen = egg, cow = milk\n"
        "\n"
        "Q: Whose young?\n"
        "A: hen = chick, cow = calf\n",
    ),
    (
        "table with kind",
        Kind.ORDER,
        "kind,question,right answer,right answer 2,right answer 3\n"
        "order,The year?,sow,hoe,reap\n"
        "order,The sizes?,pea,plum,melon\n",
    ),
    (
        "type ordering options",
        Kind.ORDER,
        "Type,Question,Option 1,Option 2,Option 3\n"
        "ordering,The year?,sow,hoe,reap\n"
        "ordering,The sizes?,pea,plum,melon\n",
    ),
    (
        "one cell >",
        Kind.ORDER,
        "kind\tquestion\tanswer\n"
        "order\tThe year?\tsow > hoe > reap\n"
        "order\tThe sizes?\tpea > plum > melon\n",
    ),
    (
        "written",
        Kind.ORDER,
        "Put these in order:\n"
        "1. sow\n"
        "2. hoe\n"
        "3. reap\n"
        "\n"
        "Put these in order of size:\n"
        "1. pea\n"
        "2. plum\n"
        "3. melon\n",
    ),
    (
        "written letters",
        Kind.ORDER,
        "1. Put the work of the year in the right order.\n"
        "a) sow\n"
        "b) hoe\n"
        "c) reap\n"
        "\n"
        "2. Put these in order of size.\n"
        "a) pea\n"
        "b) plum\n"
        "c) melon\n",
    ),
    (
        "json items",
        Kind.ORDER,
        '[{"question":"The year?","type":"order","items":["sow","hoe","reap"]},{"question'
        '":"Sizes?","type":"order","items":["pea","plum","melon"]}]',
    ),
    (
        "yaml",
        Kind.ORDER,
        "- question: The year?\n"
        "  kind: order\n"
        "  right: [sow, hoe, reap]\n"
        "- question: The sizes?\n"
        "  kind: order\n"
        "  right: [pea, plum, melon]\n",
    ),
    (
        "correct order",
        Kind.ORDER,
        "Question;Correct order\nThe year?;sow, hoe, reap\nThe sizes?;pea, plum, melon\n",
    ),
    (
        "sequence no headings kind",
        Kind.ORDER,
        "order\tThe year?\tsow\thoe\treap\norder\tThe sizes?\tpea\tplum\tmelon\n",
    ),
    (
        "options with key order",
        Kind.ORDER,
        "Type,Question,A,B,C,Correct\n"
        "ordering,The year?,hoe,sow,reap,BAC\n"
        'ordering,The sizes?,plum,pea,melon,"B,A,C"\n',
    ),
    (
        "arrows answer",
        Kind.ORDER,
        "Q: Put the year in order\n"
        "A: sow, hoe, reap\n"
        "\n"
        "Q: Put the sizes in order\n"
        "A: pea, plum, melon\n",
    ),
    (
        "kind matching csv pairs cells",
        Kind.MATCH,
        "type,question,1,2,3\n"
        "matching,Which tool for which job?,spade = dig,hoe = weed,rake = level\n"
        "matching,Which part is eaten?,beet = root,kale = leaf,pea = seed\n",
    ),
    (
        "tsv one cell bars",
        Kind.MATCH,
        "Question\tMatches\n"
        "Which tool?\tspade = dig | hoe = weed | rake = level\n"
        "Which part?\tbeet = root | kale = leaf | pea = seed\n",
    ),
    (
        "md bullets arrows",
        Kind.MATCH,
        "## Which tool for which job?\n"
        "- spade → dig\n"
        "- hoe → weed\n"
        "- rake → level\n"
        "\n"
        "## Which part is eaten?\n"
        "- beet → root\n"
        "- kale → leaf\n"
        "- pea → seed\n",
    ),
    (
        "numbered, indented pairs",
        Kind.MATCH,
        "1. Which tool for which job?\n"
        "   spade = dig\n"
        "   hoe = weed\n"
        "   rake = level\n"
        "2. Which part is eaten?\n"
        "   beet = root\n"
        "   kale = leaf\n"
        "   pea = seed\n",
    ),
    (
        "yaml mapping",
        Kind.MATCH,
        "- question: Which tool?\n"
        "  match:\n"
        "    spade: dig\n"
        "    hoe: weed\n"
        "    rake: level\n"
        "- question: Which part?\n"
        "  match:\n"
        "    beet: root\n"
        "    kale: leaf\n"
        "    pea: seed\n",
    ),
    (
        "term/definition columns",
        Kind.MATCH,
        "Question;Term 1;Definition 1;Term 2;Definition 2;Term 3;Definition 3\n"
        "Which tool?;spade;dig;hoe;weed;rake;level\n"
        "Which part?;beet;root;kale;leaf;pea;seed\n",
    ),
    (
        "q/a lines semicolons",
        Kind.MATCH,
        "Question: Which tool?\n"
        "Answer: spade = dig; hoe = weed; rake = level\n"
        "\n"
        "Question: Which part?\n"
        "Answer: beet = root; kale = leaf; pea = seed\n",
    ),
    (
        "german",
        Kind.MATCH,
        "Frage\tPaare\n"
        "Welches Werkzeug?\tSpaten = graben; Hacke = jäten; Rechen = ebnen\n"
        "Welcher Teil?\tRübe = Wurzel; Kohl = Blatt; Erbse = Samen\n",
    ),
    (
        "item-match columns",
        Kind.MATCH,
        "question,item1,match1,item2,match2,item3,match3\n"
        "Which tool?,spade,dig,hoe,weed,rake,level\n"
        "Which part?,beet,root,kale,leaf,pea,seed\n",
    ),
    (
        "order kind options A-D",
        Kind.ORDER,
        "kind,question,A,B,C\norder,The year?,sow,hoe,reap\norder,The meal?,soup,pie,pudding\n",
    ),
    (
        "steps",
        Kind.ORDER,
        "Question,Step 1,Step 2,Step 3\nThe year?,sow,hoe,reap\nThe meal?,soup,pie,pudding\n",
    ),
    (
        "events",
        Kind.ORDER,
        "question\tevent 1\tevent 2\tevent 3\n"
        "The year?\tsow\thoe\treap\n"
        "The meal?\tsoup\tpie\tpudding\n",
    ),
    (
        "sequence column arrows",
        Kind.ORDER,
        "Question,Sequence\nThe year?,sow -> hoe -> reap\nThe meal?,soup -> pie -> pudding\n",
    ),
    (
        "written bullets in order",
        Kind.ORDER,
        "Put these jobs in order.\n"
        "- sow\n"
        "- hoe\n"
        "- reap\n"
        "\n"
        "Put these courses in the right order.\n"
        "- soup\n"
        "- pie\n"
        "- pudding\n",
    ),
    (
        "json order array",
        Kind.ORDER,
        '[{"question":"The year?","type":"ordering","correctOrder":["sow","hoe","reap"]},'
        '{"question":"The meal?","type":"ordering","correctOrder":["soup","pie","pudding"'
        "]}]",
    ),
    (
        "yaml sequence",
        Kind.ORDER,
        "- prompt: The year?\n"
        "  kind: sequence\n"
        "  answers: [sow, hoe, reap]\n"
        "- prompt: The meal?\n"
        "  kind: sequence\n"
        "  answers: [soup, pie, pudding]\n",
    ),
    (
        "reihenfolge",
        Kind.ORDER,
        "Frage;Richtige Reihenfolge\n"
        "Das Jahr?;säen, hacken, ernten\n"
        "Das Essen?;Suppe, Pastete, Pudding\n",
    ),
    (
        "letters key",
        Kind.ORDER,
        "type;question;A;B;C;answer\n"
        "order;The year?;reap;sow;hoe;B C A\n"
        "order;The meal?;pie;soup;pudding;B A C\n",
    ),
    (
        "estimate min max",
        Kind.ESTIMATE,
        "question,answer,min,max,tolerance\n"
        "How heavy is a marrow?,14,0,40,1\n"
        "How long is a bean?,20,0,60,2\n",
    ),
    (
        "estimate kind scale",
        Kind.ESTIMATE,
        "type\tquestion\tright answer\tscale from\tscale to\tscale step\tscale unit\n"
        "estimate\tHow heavy?\t14\t0\t40\t1\tkg\n"
        "estimate\tHow long?\t20\t0\t60\t2\tcm\n",
    ),
    (
        "json slider",
        Kind.ESTIMATE,
        '[{"question":"How heavy?","type":"slider","answer":14,"min":0,"max":40},{"questi'
        'on":"How long?","type":"slider","answer":20,"min":0,"max":60}]',
    ),
    (
        "yaml estimate",
        Kind.ESTIMATE,
        "- question: How heavy?\n"
        "  kind: estimate\n"
        "  answer: 14\n"
        "  minimum: 0\n"
        "  maximum: 40\n"
        "  unit: kg\n"
        "- question: How long?\n"
        "  kind: estimate\n"
        "  answer: 20\n"
        "  minimum: 0\n"
        "  maximum: 60\n"
        "  unit: cm\n",
    ),
    (
        "numeric with max first",
        Kind.ESTIMATE,
        "Question;Minimum;Maximum;Correct answer\nHow heavy?;0;40;14\nHow long?;0;60;20\n",
    ),
)


class TestLayouts(unittest.TestCase):
    def test_each_is_read_as_it_is_meant_without_a_word_from_its_maker(self):
        """Two questions each; of a match or an order every answer, none of them wrong."""
        for name, kind, text in LAYOUTS:
            with self.subTest(name, kind=kind):
                reading = read_questions(text.encode(), guess(text.encode()))
                self.assertEqual([one.what for one in reading.refused], [])
                self.assertEqual([question.kind for question in reading.questions], [kind] * 2)
                for question in reading.questions:
                    self.assertEqual(question.wrong, ())
                    self.assertEqual(len(question.right) > 1, kind is not Kind.ESTIMATE)
                first = reading.questions[0]
                if kind is Kind.ORDER and first.right[-1] in ("reap", "ernten"):
                    self.assertIn(first.right[0], ("sow", "säen"))
                for item, partner in first.pairs:
                    self.assertIn((item, partner), MEANT)

    def test_what_only_sounds_so_is_not_taken_for_one(self):
        """Options of which none is marked, a sum, and code are no orders and no matches."""
        for text in (
            "What do you need in order to make compost?\na) air\nb) water\nc) time\n",
            "In which month do you sow?\n- March\n- April\n",
            "x = 1\ny = 2\nz = 3\n",
            "Vocabulary\nHund = dog\nKatze = cat\nKuh = cow\n",
        ):
            kinds = {
                one.kind for one in read_questions(text.encode(), guess(text.encode())).questions
            }
            self.assertFalse(kinds & {Kind.ORDER, Kind.MATCH}, text)


MEANT = {
    ("bee", "honey"),
    ("hen", "egg"),
    ("cow", "milk"),
    ("spade", "dig"),
    ("hoe", "weed"),
    ("rake", "level"),
    ("Spaten", "graben"),
    ("Hacke", "jäten"),
    ("Rechen", "ebnen"),
}


if __name__ == "__main__":
    unittest.main()
