# Everything runs from a fresh clone: each target first sets up what it needs, Python's part and
# Node's side by side.
MAKEFLAGS += --jobs=3
export UV_COMPILE_BYTECODE := 1
PORT ?= 8000
HOST ?= 127.0.0.1
DATA ?= data/dicetrail.sqlite
PYTHON ?= python3
BIN := .venv/bin
UV := .make/uv/bin/uv
PIP_AUDIT := 2.10.1
CYCLONEDX := 7.5.0
SYNC = $(UV) pip sync --quiet --require-hashes --python $(BIN)/python
LOCKED := --quiet --universal --generate-hashes --no-header --strip-extras --no-annotate
SITE_SOURCES := $(shell find frontend/src -type f ! -path frontend/src/api/parts.ts 2>/dev/null) frontend/index.html frontend/vite.config.ts
ENGINE_SOURCES := $(shell find dicetrail/core dicetrail/standalone dicetrail/translations -name '*.p[yo]' 2>/dev/null)

.PHONY: demo dev test test-rest test-all check fuzz bench bench-players bench-judging bench-memory bench-foresight bench-evidence bench-kills bench-large bench-damage bench-folder bench-crowd bench-makers shots sounds site api browser lock third-party audit sbom release

demo: .make/run .make/site .make/folder
	@$(BIN)/dicetrail serve --demo --host $(HOST) --port $(PORT) --data $(DATA)

dev: .make/run .make/npm frontend/src/api/parts.ts
	@cd frontend && npm run --silent types > /dev/null
	@trap 'kill 0' EXIT; \
	DICETRAIL_DATA=$(DATA) $(BIN)/uvicorn --factory dicetrail.cli:development_app --reload --reload-dir dicetrail & \
	cd frontend && npm run --silent dev

test: .make/dev .make/site .make/folder browser
	@$(BIN)/python -m tests $(ONLY)

test-rest: .make/dev .make/site .make/folder browser
	@$(BIN)/python -m tests --rest

test-all: .make/dev .make/site .make/folder browser
	@$(BIN)/python -m tests --all $(ONLY)

check: .make/dev .make/npm frontend/src/api/parts.ts
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy
	$(BIN)/lint-imports --no-logo
	cd frontend && npm run --silent check
	@mkdir -p .make/fresh
	@$(BIN)/dicetrail openapi > .make/fresh/openapi.json
	@cmp .make/fresh/openapi.json docs/schema/openapi.json || { echo "docs/schema/openapi.json is stale: run make api"; exit 1; }
	@$(BIN)/dicetrail pack-schema | cmp - docs/schema/pack.schema.json || { echo "docs/schema/pack.schema.json is stale: run make api"; exit 1; }
	@$(BIN)/dicetrail game-schema | cmp - docs/schema/game.schema.json || { echo "docs/schema/game.schema.json is stale: run make api"; exit 1; }
	@$(BIN)/dicetrail game-fields | cmp - docs/game-fields.md || { echo "docs/game-fields.md is stale: run make api"; exit 1; }

api: .make/dev .make/npm
	$(BIN)/dicetrail openapi > docs/schema/openapi.json
	$(BIN)/dicetrail pack-schema > docs/schema/pack.schema.json
	$(BIN)/dicetrail game-schema > docs/schema/game.schema.json
	$(BIN)/dicetrail game-fields > docs/game-fields.md
	cd frontend && npm run --silent types

bench: .make/dev
	@$(BIN)/python -m bench

bench-players: .make/dev
	@$(BIN)/python -m bench.players

fuzz: .make/dev
	@FUZZ=200 $(BIN)/python -m unittest tests.web.test_interface tests.core.test_foresight

bench-makers: .make/dev
	@$(BIN)/python -m bench.makers

bench-judging: .make/dev
	@$(BIN)/python -m bench.judging

bench-foresight: .make/dev
	@$(BIN)/python -m bench.foresight

bench-evidence: .make/dev
	@$(BIN)/python -m bench.evidence

bench-folder: .make/dev .make/folder browser
	@$(BIN)/python -m bench.folder

bench-crowd: .make/dev .make/folder browser
	@$(BIN)/python -m bench.crowd

bench-memory: .make/dev
	@$(BIN)/python -m bench.memory

bench-kills: .make/dev
	@$(BIN)/python -m bench.kills

bench-large: .make/dev
	@$(BIN)/python -m bench.large

bench-damage: .make/dev
	@$(BIN)/python -m bench.damage

shots: .make/dev .make/site .make/folder browser
	@$(BIN)/python -m tests.browser.shots docs/screenshots

sounds: .make/run
	$(BIN)/python -m dicetrail.files.shipped

site: .make/site .make/folder

browser:
	@command -v chromium > /dev/null && command -v chromedriver > /dev/null || { \
	  if [ "$$(id -u)" = 0 ]; then apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium chromium-driver > /dev/null; \
	  else echo "The browser tests need Debian's packages chromium and chromium-driver. Run:"; \
	       echo "  sudo apt-get update && sudo apt-get install -y chromium chromium-driver"; exit 1; fi; }

lock: $(UV)
	$(UV) pip compile $(LOCKED) --extra dev -o requirements-dev.lock pyproject.toml
	$(UV) pip compile $(LOCKED) -c requirements-dev.lock -o requirements.lock pyproject.toml

third-party: .make/dev
	@$(BIN)/python -m tests.outside.third_party

audit: .make/dev .make/npm
	@$(UV) tool run --quiet --from pip-audit==$(PIP_AUDIT) pip-audit --strict --require-hashes --disable-pip -r requirements-dev.lock; told=$$?; \
	cd frontend && npm audit; told=$$((told + $$?)); \
	if [ $$told -ne 0 ]; then echo "Something was found, or an index of known faults could not be reached: read above which."; exit 1; fi

sbom: .make/dev .make/npm
	@mkdir -p dist
	@PYTHONWARNINGS=ignore $(UV) tool run --quiet --from cyclonedx-bom==$(CYCLONEDX) cyclonedx-py requirements requirements.lock --pyproject pyproject.toml --output-reproducible --of JSON -o dist/server.cdx.json
	@cd frontend && npm sbom --sbom-format cyclonedx --omit dev > ../dist/pages.cdx.json
	@echo "dist/server.cdx.json and dist/pages.cdx.json tell what a release is made of."

release: .make/site .make/folder sbom
	@$(UV) build --quiet --wheel --out-dir dist . && rm -rf build
	@ls dist

$(UV): requirements-uv.lock
	@$(PYTHON) -c 'import sys; sys.exit(sys.version_info < (3, 11))' || { echo "Python 3.11 or newer is needed; name one with PYTHON=..."; exit 1; }
	$(PYTHON) -m venv .make/uv
	.make/uv/bin/pip install -qq --disable-pip-version-check --require-hashes -r requirements-uv.lock
	@touch $@

.make/run: requirements.lock pyproject.toml $(UV)
	$(UV) venv --quiet --allow-existing --no-python-downloads --python $(PYTHON) .venv
# Where tests have run before, their packages stay.
	$(SYNC) $(if $(wildcard .make/dev),requirements-dev.lock,requirements.lock)
	$(UV) pip install --quiet --no-deps --python $(BIN)/python -e .
	@touch $@

.make/dev: requirements-dev.lock .make/run
	$(SYNC) requirements-dev.lock
	$(UV) pip install --quiet --no-deps --python $(BIN)/python -e .
	$(BIN)/python -m compileall -q dicetrail tests
	@touch $@

.make/npm: frontend/package-lock.json
	@node -e 'const [major, minor] = process.versions.node.split("."); process.exit(major > 20 || (major == 20 && minor >= 19) ? 0 : 1)' || { echo "Node 20.19 or newer is needed"; exit 1; }
	cd frontend && npm ci --silent --no-audit --no-fund --prefer-offline
	@mkdir -p .make && touch $@

# What the pages need before their first request: new parts, fields, values.
frontend/src/api/parts.ts: .make/run $(ENGINE_SOURCES) dicetrail/web/http_format/parts.py
	@$(BIN)/dicetrail parts > $@.new
	@if cmp -s $@.new $@; then rm $@.new; else mv $@.new $@; fi

.make/site: .make/npm frontend/src/api/parts.ts $(SITE_SOURCES)
	cd frontend && npm run --silent build -- --logLevel warn
	@touch $@

# What a game leaves with: the players' page, and the engine that it runs in.
.make/folder: .make/page .make/engine
	@touch $@

.make/page: .make/npm frontend/src/api/parts.ts $(SITE_SOURCES) frontend/folder.html frontend/vite.folder.config.ts
	cd frontend && npm run --silent build-folder -- --logLevel error
	@touch $@

.make/engine: .make/npm $(ENGINE_SOURCES) frontend/engine/build.mjs
	cd frontend && npm run --silent build-engine
	@touch $@
