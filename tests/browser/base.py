"""A browser on a server of its own, and the few gestures every browser test makes."""

import json
import os
import time
import unittest
from functools import cache
from multiprocessing.util import Finalize
from pathlib import Path
from tempfile import TemporaryDirectory

from selenium import webdriver
from selenium.common.exceptions import (
    ElementClickInterceptedException,
    StaleElementReferenceException,
)
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select, WebDriverWait

from tests.server import Server
from tests.web.demo import demo_store

PATIENCE = float(os.environ.get("PATIENCE", "120"))
"""So many seconds something is waited for; fewer find a fault sooner."""
AXE = Path("frontend/node_modules/axe-core/axe.min.js").read_text("utf-8")
OPTIONS = (
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-dev-shm-usage",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--hide-scrollbars",
)


def open_browser(width=1280, height=800, reduced_motion=True, traces=""):
    """Debian's Chromium, without a screen, with a page of this size; it traces the categories
    of events named, for its log of performance."""
    options = webdriver.ChromeOptions()
    options.binary_location = "/usr/bin/chromium"
    for option in OPTIONS:
        options.add_argument(option)
    if reduced_motion:
        options.add_argument("--force-prefers-reduced-motion")
    logs = {"browser": "ALL"}
    if traces:
        logs["performance"] = "ALL"
        quiet = {"enableNetwork": False, "enablePage": False}
        options.add_experimental_option("perfLoggingPrefs", {"traceCategories": traces, **quiet})
    options.set_capability("goog:loggingPrefs", logs)
    driver = webdriver.Chrome(options, webdriver.ChromeService("/usr/bin/chromedriver"))
    resize(driver, width, height)
    return driver


class Tab:
    """A new tab in the browser of this process, which forgets what earlier ones left there.

    Each server has a port of its own, so pages of one keep nothing that those of another find.
    """

    def __init__(self):
        self.driver = driver = _shared_browser()
        driver.switch_to.window(_first_tab())
        driver.switch_to.new_window("tab")
        driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
        driver.get_log("browser")
        resize(driver, 1280, 800)

    def close(self):
        """Close it, and whatever was opened from it."""
        for tab in self.driver.window_handles:
            if tab != _first_tab():
                self.driver.switch_to.window(tab)
                self.driver.close()


@cache
def _shared_browser():
    """The browser of this process, closed with it."""
    driver = open_browser()
    Finalize(None, driver.quit, exitpriority=10)
    return driver


@cache
def _first_tab():
    return _shared_browser().window_handles[0]


def resize(driver, width, height):
    size = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False}
    driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)


class Found:
    """Something on the page, found anew for every gesture, for the page may be drawn anew
    between finding and pressing."""

    def __init__(self, test, by, path, name):
        self.test, self.by, self.path, self.name = test, by, path, name
        self.now()

    def now(self):
        return self.test.found(self.path, self.name, self.by)

    def click(self):
        """Press it once it stands still: a press while the page moves lands beside it."""

        def is_clicked():
            found = self.now()
            was = found.rect
            time.sleep(0.03)
            if found.rect == was:
                found.click()
                return True
            return False

        self.test.wait(is_clicked, self.name)

    def __getattr__(self, name):
        return getattr(self.now(), name)


class BrowserTest(unittest.TestCase):
    """One server with the demo, and one browser, for all tests of a class."""

    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.folder = Path(folder.name)
        store = cls.folder / "store.sqlite"
        demo_store(store).close()
        cls.server = Server(store)
        cls.addClassCleanup(cls.server.__exit__)
        tab = Tab()
        cls.addClassCleanup(tab.close)
        cls.driver = tab.driver

    def open(self, address):
        self.driver.get(self.server.address + address)

    def wait(self, condition, what="what was waited for"):
        ignored = [StaleElementReferenceException, ElementClickInterceptedException]
        waiting = WebDriverWait(self.driver, PATIENCE, 0.05, ignored_exceptions=ignored)
        return waiting.until(lambda _: condition(), what)

    def all(self, css):
        return self.driver.find_elements(By.CSS_SELECTOR, css)

    def one(self, css):
        return self.wait(lambda: next(iter(self.all(css)), None), css)

    def found(self, path, name, by=By.XPATH):
        return self.wait(lambda: next(iter(self.driver.find_elements(by, path)), None), name)

    def at(self, css):
        """What stands there, to be pressed."""
        return Found(self, By.CSS_SELECTOR, css, css)

    def button(self, words):
        """The button or link whose name begins with these words."""
        begins = f"starts-with(normalize-space(.), '{words}')"
        return Found(self, By.XPATH, f"//*[self::button or self::a][{begins}]", words)

    def field(self, label):
        """The field with this label, written beside it or on it."""
        return self.found(
            f"//input[@aria-label='{label}'] | //*[@id=//label[.='{label}']/@for]"
            f" | //label[starts-with(normalize-space(.), '{label}')]//input",
            label,
        )

    def fill(self, label, text):
        def is_filled():
            self.field(label).send_keys(Keys.CONTROL, "a", Keys.NULL, text or Keys.DELETE)
            return True

        self.wait(is_filled, label)

    def press(self, *keys):
        """Press keys on whatever has the focus."""
        ActionChains(self.driver).send_keys(*keys).perform()

    def command(self, *keys):
        """Press keys of commands, each with the modifier that makes it one."""
        for key in keys:
            ActionChains(self.driver).key_down(Keys.ALT).send_keys(key).key_up(Keys.ALT).perform()

    def text(self, css="body"):
        return self.one(css).text

    def sees(self, words, css="body"):
        """Wait until these words are on the page."""
        shown = (
            "return [...document.querySelectorAll(arguments[0])].slice(0, 1)"
            ".some((part) => part.innerText.replace(/\\s+/g, ' ').includes(arguments[1]))"
        )
        plain = " ".join(words.split())
        self.wait(lambda: self.driver.execute_script(shown, css, plain), f"“{words}” in {css}")

    def write(self, name, content):
        file = self.folder / name
        file.write_bytes(content if isinstance(content, bytes) else content.encode())
        return str(file)

    def upload(self, file):
        def is_given():
            self.one("input[type=file]").send_keys(file)
            return True

        self.wait(is_given, "the field for files")

    def choose(self, label, words):
        """Choose one of several in the list with this label."""
        by_id = f"//select[@id=//label[.='{label}']/@for]"
        field = self.found(f"{by_id} | //label[contains(., '{label}')]//select", label)
        Select(field).select_by_visible_text(words)

    def insert(self, css, text):
        """Put a text into a field at once, as pasting would, tabs included."""
        put = "arguments[0].focus(); return document.execCommand('insertText', false, arguments[1])"
        self.wait(lambda: self.driver.execute_script(put, self.one(css), text), css)

    def write_script(self, script):
        """Put a whole rule script into its editor, as pasting would."""
        paste = (
            "const field = document.querySelector('.cm-content');"
            "if (!field) return false;"
            "field.focus();"
            "document.execCommand('selectAll');"
            "return document.execCommand('insertText', false, arguments[0])"
        )
        self.wait(lambda: self.driver.execute_script(paste, script), "the script's editor")

    def begin(self):
        """Begin the run on the table and wait for its first question."""
        self.button("Begin").click()
        self.sees("Question 1 of")

    def unfold(self):
        """Have the footprints unfolded; the page remembers it."""
        fold = self.found("//button[.='Unfold' or .='Fold']", "the footprints' fold")
        if fold.text == "Unfold":
            fold.click()
        self.one("ol[aria-labelledby=footprints]")

    def prompt(self):
        return self.text("#prompt")

    def assert_accessible(self):
        """axe-core finds nothing serious or critical."""
        self.driver.execute_script(AXE)
        # Looked at once what was changed last is painted.
        found = self.driver.execute_async_script(
            "const told = arguments[0], next = requestAnimationFrame;"
            "next(() => next(() => axe.run().then(told)))"
        )
        grave = [
            (fault["id"], [node["html"] for node in fault["nodes"]])
            for fault in found["violations"]
            if fault["impact"] in ("serious", "critical")
        ]
        self.assertEqual(grave, [], json.dumps(grave, indent=1))
