# Everything is set up from the project's own files. The two commands a newcomer needs: make demo, make test.
PYTHON ?= python3
PORT ?= 8420
VENV := .venv
BIN := $(VENV)/bin

.PHONY: setup demo test check format bench screenshots lock clean

setup: $(VENV)/.ready

$(VENV)/.ready: requirements/dev.txt pyproject.toml scripts/setup.sh
	@PYTHON="$(PYTHON)" sh scripts/setup.sh $(VENV)

demo: setup
	@$(BIN)/rowanseed serve --demo --port $(PORT)

test: setup
	@sh scripts/chromium.sh
	@$(BIN)/pytest

check: setup
	@$(BIN)/ruff check src tests benchmarks
	@$(BIN)/ruff format --check src tests benchmarks
	@$(BIN)/mypy
	@$(BIN)/lint-imports

format: setup
	@$(BIN)/ruff check --fix src tests benchmarks
	@$(BIN)/ruff format src tests benchmarks

bench: setup
	@$(BIN)/python -W ignore -m benchmarks $(ONLY)

screenshots: setup
	@sh scripts/chromium.sh
	@$(BIN)/python -m scripts.screenshots

# Rewrites the hashed requirement files from the .in files; needs pip-tools.
lock:
	@for name in run dev; do $(BIN)/pip-compile --quiet --generate-hashes --no-emit-index-url \
	  --no-emit-trusted-host --no-emit-find-links --no-header --strip-extras --allow-unsafe \
	  --output-file requirements/$$name.txt requirements/$$name.in; done

clean:
	rm -rf $(VENV) .mypy_cache .ruff_cache .pytest_cache
