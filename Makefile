# Everything a newcomer needs: `make demo` and `make test`. Nothing is rebuilt that did not change.
SHELL := /bin/bash
.SHELLFLAGS := -eu -o pipefail -c
PORT ?= 8765
PYTHON ?= $(shell command -v python3.11 || command -v python3)
VENV := .venv
BIN := $(VENV)/bin
STATIC := src/dunestead/api/static
WEB_SOURCES := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts web/package.json

.PHONY: demo serve wheel test lint types unit web-test browser audit bench shots lock api clean

demo: $(VENV)/.installed $(STATIC)/index.html
	@$(BIN)/dunestead demo --no-browser --port $(PORT)

serve: $(VENV)/.installed $(STATIC)/index.html
	@$(BIN)/dunestead serve --port $(PORT)

test: lint types unit web-test browser

# One file that carries the built page: it installs with `pip install` alone, without Node.
wheel: $(VENV)/.installed $(STATIC)/index.html
	$(BIN)/python -m hatchling build -t wheel -d dist

# --- installing -------------------------------------------------------------------------------
$(VENV)/.tools: requirements-tools.lock
	$(PYTHON) -m venv $(VENV)
	$(BIN)/python -m pip install --quiet --disable-pip-version-check --require-hashes -r requirements-tools.lock
	touch $@

$(VENV)/.installed: $(VENV)/.tools requirements.lock pyproject.toml
	$(BIN)/uv pip install --quiet --compile-bytecode --python $(BIN)/python --require-hashes -r requirements.lock
	$(BIN)/uv pip install --quiet --compile-bytecode --python $(BIN)/python --no-deps --no-build-isolation -e .
	$(BIN)/python -m compileall -q src
	$(BIN)/python -c "from dunestead.formats.svg.cage import prepare_cage; prepare_cage()"
	touch $@

$(VENV)/.dev: $(VENV)/.installed requirements-dev.lock
	$(BIN)/uv pip install --quiet --compile-bytecode --python $(BIN)/python --require-hashes -r requirements-dev.lock
	touch $@

web/node_modules/.installed: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	touch $@

$(STATIC)/index.html: web/node_modules/.installed $(WEB_SOURCES)
	cd web && npm run --silent build

/usr/bin/chromium:
	apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium

# --- checking ---------------------------------------------------------------------------------
lint: $(VENV)/.dev web/node_modules/.installed
	$(BIN)/ruff check src tests scripts
	$(BIN)/ruff format --check src tests scripts
	$(BIN)/lint-imports
	cd web && npm run --silent lint

types: $(VENV)/.dev web/node_modules/.installed
	$(BIN)/mypy
	$(BIN)/dunestead openapi | diff -q - web/openapi.json || { echo "Run 'make api': the API changed."; exit 1; }
	cd web && npm run --silent check

unit: $(VENV)/.dev
	$(BIN)/pytest -n 2 -m "not browser"

web-test: web/node_modules/.installed
	cd web && npm run --silent test

browser: $(VENV)/.dev $(STATIC)/index.html /usr/bin/chromium
	$(BIN)/pytest -m browser

# Asks what is known against the packages in the locks; over no network it says that it could not.
audit: $(VENV)/.installed web/node_modules/.installed
	$(BIN)/python -m scripts.audit

bench: $(VENV)/.installed
	$(BIN)/dunestead bench

# --- making -----------------------------------------------------------------------------------
api: $(VENV)/.installed web/node_modules/.installed
	$(BIN)/dunestead openapi > web/openapi.json
	cd web && npm run --silent api

shots: $(VENV)/.dev $(STATIC)/index.html /usr/bin/chromium
	$(BIN)/python -m scripts.shots

UV_COMPILE := $(BIN)/uv pip compile --quiet --generate-hashes --no-emit-index-url --no-annotate --no-header --python-version 3.11
lock: $(VENV)/.tools
	$(UV_COMPILE) --extra build pyproject.toml -o requirements.lock
	$(UV_COMPILE) --extra build --extra dev pyproject.toml -c requirements.lock -o requirements-dev.lock
	echo uv | $(UV_COMPILE) - -o requirements-tools.lock

clean:
	rm -rf $(VENV) web/node_modules $(STATIC)
