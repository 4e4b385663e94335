import time
from tests.browser.base import BrowserTest, resize
class Look(BrowserTest):
    def runTest(self):
        self.open("/game/harvest-supper/end?dice=4821"); self.sees("Steady players: 2"); time.sleep(.5)
        self.driver.save_screenshot("/tmp/shots/b-end.png")
        self.button("Draw").click(); time.sleep(.7)
        self.driver.save_screenshot("/tmp/shots/b-draw.png")
        self.button("Check").click(); time.sleep(.7)
        self.driver.save_screenshot("/tmp/shots/b-check.png")
