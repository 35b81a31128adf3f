# Incisura. `make demo` starts it with the demo workshop, `make test` runs every test.

SHELL := /bin/bash
.ONESHELL:
.SHELLFLAGS := -eu -o pipefail -c
.DEFAULT_GOAL := help

export DOTNET_CLI_TELEMETRY_OPTOUT := 1
export DOTNET_NOLOGO := 1

PORT ?= 5080
DATA ?= data/demo
HOST := src/Incisura.Web
REFERENCE := tests/reference/cutting-cases.json
CASES ?= $(REFERENCE)
STAMPS := .ready
APT := apt-get update -q && apt-get install -yq --no-install-recommends

# The compiler stays in memory between the projects of a build; .ci/run ends it.
export UseSharedCompilation := true

BUILT := -not -path '*/obj/*' -not -path '*/bin/*' -not -path '*/node_modules/*'
NET := $(shell find src tests bench -type f '(' -name '*.cs' -o -name '*.csproj' -o -name '*.txt' -o -name '*.json' ')' $(BUILT) -not -path '*/wwwroot/*' -not -path '*/tests/golden/*') \
	$(wildcard Directory.*.props .editorconfig global.json Incisura.slnx demo/*.json docs/guide/*)
PAGE := $(shell find web/src web/public -type f -not -name incisura.json) $(wildcard web/*.html web/*.ts web/*.json)

.PHONY: help demo demo-reset build web test unit e2e golden soak faults check check-data verify format bench load cases client package deploy-check first-day clean

help: ## list the commands
	@grep -E '^[a-z0-9-]+:.*##' $(MAKEFILE_LIST) | sed -E 's/:.*## /\t/' | expand -t 14

$(STAMPS)/npm: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	ln -sfn ../../web/node_modules ../tests/web/node_modules
	ln -sfn ../../web/node_modules ../tests/e2e/node_modules
	cd .. && mkdir -p $(STAMPS) && touch $@

$(STAMPS)/chromium:
	command -v chromium-headless-shell || ($(APT) chromium-headless-shell) || command -v chromium || ($(APT) chromium)
	mkdir -p $(STAMPS) && touch $@

$(STAMPS)/page: $(PAGE) $(STAMPS)/npm
	cd web && npm run --silent build
	touch ../$@

$(STAMPS)/net: $(NET) | $(STAMPS)/page
	dotnet build Incisura.slnx -c Release -v q --nologo
	touch $@

web: $(STAMPS)/page ## build the front end into the host

build: $(STAMPS)/net ## build everything that changed

demo: web ## start with the demo workshop, keeping its data
	dotnet build $(HOST) -c Release -v q
	echo "Incisura with the demo workshop: http://127.0.0.1:$(PORT)   (Ctrl+C stops it)"
	exec env Incisura__Demo=true Incisura__Database=$(CURDIR)/$(DATA)/incisura.db dotnet run --no-build -c Release --project $(HOST) --no-launch-profile -- --urls http://127.0.0.1:$(PORT) --contentRoot $(CURDIR)/$(HOST) --Incisura:DemoData=$(CURDIR)/demo

demo-reset: ## forget the demo's data and start afresh
	rm -rf $(DATA)
	$(MAKE) demo

unit: build ## xUnit and the front end's own tests only
	tests/run.sh unit web

e2e: build $(STAMPS)/chromium ## browser journeys only
	tests/run.sh e2e

test: build $(STAMPS)/chromium ## every test, ending with the totals
	tests/run.sh unit web e2e

golden: ## write the golden files of the engine and its public surface anew
	dotnet build tests/Incisura.Core.Tests -c Release -v q --nologo
	INCISURA_GOLDEN=write dotnet run --no-build -c Release --project tests/Incisura.Core.Tests -- -noColor -noLogo -class '*GoldenTests' -class '*SurfaceTests' -class '*SymbolTests'
	dotnet build tests/Incisura.Web.Tests -c Release -v q --nologo
	INCISURA_GOLDEN=write dotnet run --no-build -c Release --project tests/Incisura.Web.Tests -- -noColor -noLogo -method '*is_written_down'

SOAK = dotnet tests/Incisura.$(1).Tests/bin/Release/net10.0/Incisura.$(1).Tests.dll -noColor -noLogo

soak: build ## the long forms: random work, hostile requests, a server killed 20 times, and ten minutes of a workshop at work
	INCISURA_EFFORT=40 CsCheck_Iter=2000 $(call SOAK,Core)
	export INCISURA_FILLED=$$(node tests/filled.cjs)
	INCISURA_ACTIONS=20000 $(call SOAK,Web) -class '*LibraryModelTests' -class '*DemoChainTests'
	INCISURA_REQUESTS=20000 $(call SOAK,Web) -class '*FuzzTests'
	INCISURA_KILLS=20 $(call SOAK,Web) -class '*Killed*Tests'
	INCISURA_SOAK=10 $(call SOAK,Web) -showLiveOutput -class '*SoakTests' -class '*CrowdTests'

faults: build ## put each fault of tests/faults.json in by turns, and say which test finds it
	node tests/faults.mjs

# Written where they differ only, so that nothing is built anew because of it.
define CLIENT
(cd web && npm run --silent client)
cmp -s artifacts/schema.d.ts web/src/api/schema.d.ts || cp artifacts/schema.d.ts web/src/api/schema.d.ts
endef

check: build ## formatting, types, and the client's types against the server; those of C# are held by the build
	(cd web && npm run --silent check)
	$(CLIENT)
	git diff --exit-code --stat -- web/src/api || { echo "web/src/api is not what the server describes: commit what make client wrote" >&2; exit 1; }

format: $(STAMPS)/npm ## format everything
	dotnet format Incisura.slnx
	cd web && npm run --silent format

client: build ## write the OpenAPI document and the client's types anew
	$(CLIENT)

check-data: ## compare a database with its history: make check-data FILE=data/demo/incisura.db
	dotnet build $(HOST) -c Release -v q
	dotnet run --no-build -c Release --project $(HOST) --no-launch-profile -- check $(abspath $(or $(FILE),$(DATA)/incisura.db))

package: web ## a folder that runs on a Linux machine with nothing installed: artifacts/package
	rm -rf artifacts/package
	dotnet publish $(HOST) -c Release -r linux-x64 --self-contained -p:OpenApiGenerateDocuments=false -v q -o artifacts/package
	ln -sf Incisura.Web artifacts/package/incisura
	cp -r deploy docs/running.md artifacts/package/
	dotnet list $(HOST) package --include-transitive --format json > artifacts/package/packages.json
	(cd web && npm sbom --sbom-format cyclonedx --omit dev) > artifacts/package/front-end.cdx.json
	artifacts/package/incisura help

deploy-check: package ## try that folder from another directory, behind nginx with TLS, copied and restored
	bash deploy/try.sh artifacts/package

first-day: package $(STAMPS)/npm $(STAMPS)/chromium ## do what the guide says in a fresh root, to a first published figure (needs root and debootstrap)
	bash deploy/first-day.sh artifacts/package

clean: ## remove what was built
	rm -rf $(STAMPS) artifacts web/dist web/node_modules $(HOST)/wwwroot
	find . -name bin -o -name obj | grep -v node_modules | xargs rm -rf
