# Young Ribbon: every command. `make help` lists them.
SHELL := /bin/bash
.DEFAULT_GOAL := help
PORT ?= 8420
# What is read in is kept read in, whatever the environment says: each start of the program is a second shorter.
export PYTHONDONTWRITEBYTECODE :=
PY := .venv/bin/python
WEB_SOURCES := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts web/tsconfig.json

.PHONY: help demo serve dev setup test quick check bench soak audit shots api lock clean

help: ## this list
	@grep -hE '^[a-z]+:.*##' $(MAKEFILE_LIST) | awk -F ':.*## ' '{printf "  make %-8s %s\n", $$1, $$2}'

demo: setup ## set up and serve the demo works on http://127.0.0.1:8420 (PORT= changes it)
	@exec $(PY) -m scripts.serve --data data-demo --port $(PORT) --demo

serve: setup ## set up and serve your own works (YOUNG_RIBBON_DATA= says where they are kept)
	@exec $(PY) -m scripts.serve --data "$${YOUNG_RIBBON_DATA:-data}" --port $(PORT)

dev: .venv/.test web/node_modules/.done ## serve while one edits: page and program reload by themselves (PORT= changes where)
	@PORT=$(PORT) $(PY) -m scripts.dev

setup: web/served/.done ## set up alone; does nothing where nothing changed

test: setup .venv/.test chromium ## every check, then every test
	@$(MAKE) --no-print-directory check
	@$(PY) -m pytest

quick: .venv/.test web/node_modules/.done ## under a minute: lint, types, the core's tables and a few examples of its laws
	@scripts/check.sh quick
	@YOUNG_RIBBON_EXAMPLES=0.03 $(PY) -m pytest tests/core tests/papers

check: setup .venv/.test ## lint, types, import rules and unused code only
	@scripts/check.sh

bench: setup .venv/.test chromium ## the speeds, as ratios within one run
	@$(PY) -m scripts.bench
	@$(PY) -m scripts.bench_page

soak: setup .venv/.test chromium ## laws with fresh examples, kills, generated requests, hostile files, backups; MINUTES= says for how long
	@$(PY) -W ignore -m scripts.soak

audit: .venv/.run web/node_modules/.done ## what is known of the packages, where there is a network
	@scripts/audit.sh

shots: setup .venv/.test chromium ## make the pictures in docs/screenshots anew, from the demo works
	@$(PY) -m scripts.shots

api: .venv/.test web/node_modules/.done ## write docs/openapi.json and the TypeScript types made from it
	@scripts/api.sh

lock: .venv/.run ## pin the packages anew
	@scripts/lock.sh

clean: ## take away what set-up made; works are left alone
	rm -rf .venv web/node_modules web/dist web/served

.PHONY: chromium
chromium:
	@scripts/chromium.sh

.venv/.run: requirements/run.txt
	@scripts/tools.sh
	@echo "Setting up Python packages…"
	@test -x $(PY) || python3 -m venv .venv
	@.venv/bin/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/run.txt
	@touch $@

.venv/.test: requirements/test.txt .venv/.run
	@echo "Setting up the test packages…"
	@.venv/bin/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/test.txt
	@touch $@

# Not `npm ci`: it wants other systems' packages in the lock file too, which not every registry has.
web/node_modules/.done: web/package-lock.json
	@scripts/tools.sh
	@echo "Setting up the page's packages…"
	@cd web && npm install --no-save --silent --no-fund --no-audit --no-update-notifier
	@touch $@

web/dist/index.html: $(WEB_SOURCES) web/node_modules/.done
	@echo "Building the page…"
	@cd web && npx --no-install vite build --logLevel warn
	@touch $@

web/served/.done: .venv/.run web/dist/index.html
	@echo "Gathering what is served…"
	@$(PY) -W ignore manage.py collectstatic --noinput --clear -v 0
	@touch $@
