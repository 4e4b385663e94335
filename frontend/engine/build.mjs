/**
 * Makes what runs a game in a browser: a Python that has already begun, with the engine read in.
 *
 * To begin Python and to read the engine takes a browser seconds. So it is done once, here; the
 * memory it stands in then is kept, compressed, and a page goes on from there.
 *
 * Usage: node engine/build.mjs OUT, from the folder of the pages.
 */
import { cpSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import { compress, init } from "@bokuweb/zstd-wasm";
import { loadPyodide } from "pyodide";

const LEVEL = 17;
const HERE = dirname(fileURLToPath(import.meta.url));
const ROOT = join(HERE, "../..");
const PYODIDE = join(HERE, "../node_modules/pyodide");
const SHIPPED = ["pyodide.mjs", "pyodide.asm.js", "pyodide.asm.wasm"];
const CODE = ["__init__.py", "core", "standalone", "translations"].map((part) => `dicetrail/${part}`);

const out = process.argv[2];
mkdirSync(out, { recursive: true });
for (const name of SHIPPED) cpSync(join(PYODIDE, name), join(out, name));
const { info } = JSON.parse(readFileSync(join(PYODIDE, "pyodide-lock.json"), "utf8"));
writeFileSync(join(out, "lock.json"), JSON.stringify({ info, packages: {} })); // no package is wanted

const python = await loadPyodide({ indexURL: `${PYODIDE}/`, _makeSnapshot: true });
for (const path of CODE.flatMap((part) => sources(join(ROOT, part)))) {
  const name = relative(ROOT, path);
  python.FS.mkdirTree(dirname(`/home/pyodide/${name}`));
  python.FS.writeFile(`/home/pyodide/${name}`, readFileSync(path));
}
python.runPython(`
import datetime, gc, json, sys
sys.dont_write_bytecode = True
from dicetrail.core.document import Language, translator
from dicetrail.standalone import offline_api
# What is imported or read at its first use must be there before there are no files to read.
for language in Language:
    translator(language, ())
datetime.datetime.fromtimestamp(0, datetime.UTC).isoformat()
gc.collect()
`);
await init();
const memory = compress(python.makeMemorySnapshot(), LEVEL);
writeFileSync(join(out, "memory.zst"), memory);

function sources(path) {
  if (/\.(py|po)$/.test(path)) return [path];
  return readdirSync(path, { withFileTypes: true })
    .filter((part) => part.name !== "__pycache__")
    .flatMap((part) => sources(join(path, part.name)));
}
