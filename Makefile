# Everything is set up from the project's own files. The two commands a newcomer needs: make demo, make test.
PYTHON ?= python3
PORT ?= 8420
VENV := .venv
BIN := $(VENV)/bin

SOURCES := src tests benchmarks scripts
STYLES := $(wildcard src/rowanseed/web/static/style/*.css)

.PHONY: setup demo test test-fast coverage fuzz check docs format bench screenshots lock clean

setup: $(VENV)/.ready

$(VENV)/.ready: requirements/dev.txt pyproject.toml scripts/setup.sh
	@PYTHON="$(PYTHON)" sh scripts/setup.sh $(VENV)

demo: setup
	@$(BIN)/rowanseed serve --demo --port $(PORT)

# The fast tests, then the long ones: searches, whole pages, the browser.
test: setup
	@sh scripts/chromium.sh
	@$(BIN)/pytest -n 2 -m "not browser and not slow" --ignore tests/browser
	@$(BIN)/pytest -n 4 --dist worksteal -m "browser or slow" --durations=10

# Which lines and branches the fast tests reach; tracing them takes longer than running them.
coverage: setup
	@$(BIN)/pytest -n 2 -m "not browser and not slow" --ignore tests/browser --cov --cov-report=term

# What tells soon whether something is broken: no browser, no long searches.
test-fast: setup
	@$(BIN)/pytest -n 2 -m "not browser and not slow" --ignore tests/browser --hypothesis-profile fast

# The same properties on garments, cloths and orders never tried before: many examples, a new seed each time.
fuzz: setup
	@$(BIN)/pytest -n 2 -m "not browser and not slow" --ignore tests/browser --hypothesis-profile thorough $(ONLY)

check: setup
	@$(BIN)/ruff check $(SOURCES)
	@$(BIN)/ruff format --check $(SOURCES)
	@$(BIN)/djlint --quiet --lint src/rowanseed/web/templates
	@! grep -nE '.{121,}' src/rowanseed/web/templates/*.html || { echo "lines of 120 at most" >&2; exit 1; }
	@for sheet in $(STYLES); do $(BIN)/css-beautify -s 2 -n $$sheet | diff -q - $$sheet > /dev/null || \
	  { echo "$$sheet: make format" >&2; exit 1; }; done
	@$(BIN)/codespell $(SOURCES) docs *.md
	@$(BIN)/mypy
	@$(BIN)/lint-imports
	@$(BIN)/rowanseed settings --markdown | diff docs/settings.md - || \
	  { echo "docs/settings.md is behind: make docs" >&2; exit 1; }
	@$(BIN)/rowanseed techniques | diff docs/techniques.md - || \
	  { echo "docs/techniques.md is behind: make docs" >&2; exit 1; }

docs: setup
	@$(BIN)/rowanseed settings --markdown > docs/settings.md
	@$(BIN)/rowanseed techniques > docs/techniques.md

format: setup
	@$(BIN)/ruff check --fix $(SOURCES)
	@$(BIN)/ruff format $(SOURCES)
	@for sheet in $(STYLES); do $(BIN)/css-beautify -s 2 -n -r $$sheet > /dev/null; done

bench: setup
	@sh scripts/chromium.sh
	@$(BIN)/python -W ignore -m benchmarks $(ONLY)

screenshots: setup
	@sh scripts/chromium.sh
	@$(BIN)/python -m scripts.screenshots

# Rewrites the hashed requirement files from the .in files; needs pip-tools.
lock: setup
	@$(BIN)/python -m pip install --quiet --disable-pip-version-check pip-tools==7.6.2
	@for name in run dev; do $(BIN)/pip-compile --quiet --generate-hashes --no-emit-index-url \
	  --no-emit-trusted-host --no-emit-find-links --no-header --strip-extras --allow-unsafe \
	  --output-file requirements/$$name.txt requirements/$$name.in; done

clean:
	rm -rf $(VENV) .mypy_cache .ruff_cache .pytest_cache
