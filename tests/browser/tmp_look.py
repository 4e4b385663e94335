import time
from tests.browser.base import BrowserTest
class Look(BrowserTest):
    def runTest(self):
        self.open("/foresight/harvest-supper/evidence")
        self.sees("What they came to"); time.sleep(2)
        self.driver.save_screenshot("/tmp/shots/ev1.png")
        self.driver.execute_script("window.scrollTo(0, 560)"); time.sleep(1)
        self.driver.save_screenshot("/tmp/shots/ev2.png")
        self.driver.execute_script("window.scrollTo(0, 1400)"); time.sleep(1)
        self.driver.save_screenshot("/tmp/shots/ev3.png")
        self.open("/foresight/harvest-supper/kept")
        self.button("Keep the ready runs").click(); self.sees("9 of 9 runs hold"); time.sleep(.5)
        game=self.server.http.get("/api/games/harvest-supper").json()
        game["document"]["script"]=game["document"]["script"].replace("lives = 3","lives = 2")
        self.server.http.put("/api/games/harvest-supper", json={"revision":game["revision"],"document":game["document"]})
        self.open("/foresight/harvest-supper/kept"); self.sees("changed"); 
        self.button("Compare").click(); time.sleep(1)
        self.driver.save_screenshot("/tmp/shots/kept.png")
        self.driver.execute_script("window.scrollTo(0, 800)"); time.sleep(.5)
        self.driver.save_screenshot("/tmp/shots/kept2.png")
        self.open("/game/harvest-supper/score?dice=4821"); self.sees("Begin"); time.sleep(2)
        self.driver.save_screenshot("/tmp/shots/wb.png")
