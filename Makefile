# make start              install what is missing, build, and start Cuerda
# make test               everything that CI checks
# make quick              what your change touches, in under a minute (SINCE=main: since that commit)
# make check              formats, types, rules and generated files, without the tests
# make format             put everything into its format
# make generate           write what is made from the Go types: the interface's description, schemas, the demonstration
# make bench              the benchmarks (docs/performance.md)
# make rehearse         three machines on this one, with what happens to machines (BEFORE=the version it is upgraded from)
# make scale            what one server bears: 10 000 households, 100 million readings (20 GB, 20 minutes; HOUSEHOLDS=500)
# make thorough           laws that take long, tried as often as it takes to find what is rare: an hour
# make siege              kills and attacks, many times over (ROUNDS=60)
# make fuzz               every reader of what comes from outside, for a minute each
# make shots              take the pictures of docs/screenshots anew
# make package          a Debian package, for machines that have neither Go nor Node
# make backup FILE=...    write every kitchen to a file, while the server runs or not
# make restore FILE=...   make the kitchens of a backup again, in a new place
# make clean              remove what was built
SHELL := bash
.SHELLFLAGS := -euo pipefail -c
.DEFAULT_GOAL := help

WEB_SOURCES := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts web/package.json
GO_PACKAGES := ./...
export GOFLAGS ?= -buildvcs=false

.PHONY: help quick start build test check check-go check-web check-generated test-go generate format bench shots fuzz siege thorough scale rehearse package backup restore clean

help:
	@sed -n 's/^# \(make .*\)/\1/p' Makefile

quick: .cache/npm
	@scripts/quick.sh $(or $(SINCE),HEAD)

start: setup bin/cuerda
	@exec bin/cuerda start

build: bin/cuerda

# The Go program carries the built front end; go build has a cache of its own.
bin/cuerda: web/dist/index.html FORCE
	@go build -o bin/cuerda ./cmd/cuerda

.PHONY: FORCE
FORCE:

.PHONY: setup setup-tests setup-cluster
setup:
	@scripts/setup.sh

setup-tests:
	@scripts/setup.sh tests

setup-cluster:
	@scripts/setup.sh cluster

.cache/npm: web/package-lock.json
	@command -v npm >/dev/null || { echo "Cuerda needs Node.js 20 or newer with npm to build its pages." >&2; exit 1; }
	@echo "Installing npm packages ..."
	@cd web && npm ci --silent --no-audit --no-fund
	@mkdir -p .cache && touch $@

web/dist/index.html: .cache/npm $(WEB_SOURCES)
	@echo "Building the pages ..."
	@cd web && npx vite build --logLevel warn
	@touch $@

# The front end is built while Go compiles; the checks of both run before the tests. Packages of servers and browsers run one
# after another: beside each other they take as long, and what has to come in time comes late.
test: setup-tests
	@$(MAKE) --no-print-directory -j2 web/dist/index.html warm
	@$(MAKE) --no-print-directory check
	@$(MAKE) --no-print-directory test-go

.PHONY: warm
warm:
	@go build $(GO_PACKAGES) && go vet $(GO_PACKAGES)

# Everything of core runs as it is. What has goroutines runs under the race detector too, where the physics, which
# has none, is left as it is: watched, it would be ten times slower.
GO_GOROUTINES = ./core/advise ./core/document ./core/food/... ./core/learn ./core/plan/... ./core/recipe/words ./internal/...
UNWATCHED = -gcflags='cuerda/core/physics/...=-race=false'

test-go: web/dist/index.html setup-tests
	go test -count=1 -p 1 -timeout 30m -parallel 3 ./cmd/... ./e2e/... ./web/...
	go test -count=1 ./core/...
	go test -count=1 -run 'Siege|Frozen|Hostile|NearlyRight|WhoMay|SecondWall|NoGuess' ./internal/api
	go test -count=1 -run LogbookIsSimulated ./internal/demo
	go test -count=1 -p 1 ./packaging ./internal/rehearsal
	go test -race $(UNWATCHED) -short -count=1 -timeout 15m $(GO_GOROUTINES)

# The laws that take long, tried as often as it takes to find what is rare: an hour.
thorough: web/dist/index.html setup-tests
	CUERDA_THOROUGH=1 go test -count=1 -timeout 2h ./core/... ./internal/live ./internal/archive ./internal/export ./internal/wire ./internal/device/...
	CUERDA_THOROUGH=1 go test -count=1 -timeout 2h -run 'TwoServers|NearlyRight' ./internal/api
	CUERDA_THOROUGH=1 go test -count=5 -timeout 2h -run WhoeverPressesAnything ./e2e

check: check-go check-web check-generated

check-go: web/dist/index.html
	@test -z "$$(gofmt -l cmd core internal e2e web/*.go)" || { echo "gofmt:"; gofmt -l cmd core internal e2e web/*.go; exit 1; }
	go vet $(GO_PACKAGES)
	go tool staticcheck $(GO_PACKAGES)

check-web: .cache/npm
	cd web && npx prettier --log-level warn --check . && npx eslint . && npx tsc --noEmit

# What is made from the Go types must be what the repository holds.
check-generated: bin/cuerda
	@out=$$(mktemp -d); trap 'rm -rf "$$out"' EXIT; \
	bin/cuerda openapi > "$$out/openapi.json"; bin/cuerda schema > "$$out/build.schema.json"; bin/cuerda schema supper > "$$out/supper.schema.json"; \
	(cd web && node scripts/types.mjs "$$out/openapi.json" "$$out" >/dev/null 2>&1); \
	cmp "$$out/openapi.json" docs/formats/openapi.json && cmp "$$out/build.schema.json" docs/formats/build.schema.json && cmp "$$out/supper.schema.json" docs/formats/supper.schema.json && \
	cmp "$$out/schema.d.ts" web/src/api/schema.d.ts && cmp "$$out/beside.d.ts" web/src/api/beside.d.ts || { echo "Generated files are old: run 'make generate'."; exit 1; }

generate: bin/cuerda
	bin/cuerda openapi > docs/formats/openapi.json
	bin/cuerda schema > docs/formats/build.schema.json
	bin/cuerda schema supper > docs/formats/supper.schema.json
	go run ./internal/demo/made > .cache/logbook.json && mv .cache/logbook.json internal/demo/logbook.json
	go run ./internal/demo/made practice > .cache/practice.json && mv .cache/practice.json internal/demo/practice.json
	cd web && npm run --silent types

format: .cache/npm
	gofmt -w cmd core internal e2e web/*.go
	cd web && npm run --silent format

bench: web/dist/index.html setup-tests
	go test -run '^$$' -bench . -benchmem $(GO_PACKAGES)

fuzz:
	go test -run '^$$' -fuzz FuzzRead -fuzztime 60s ./core/document
	go test -run '^$$' -fuzz FuzzRead -fuzztime 60s ./core/recipe/ingredient
	go test -run '^$$' -fuzz FuzzUnderstand -fuzztime 60s -fuzzminimizetime 10x ./core/recipe
	go test -run '^$$' -fuzz FuzzTries -fuzztime 60s ./core/learn

# The attacks that the tests make, many times over.
siege: web/dist/index.html setup-tests
	CUERDA_SIEGE=$${ROUNDS:-60} go test -count=1 -timeout 30m -run 'Siege|Slow|Frozen|Import|NearlyRight|NoGuess' -v ./internal/api ./internal/archive ./cmd/cuerda

# Databases of made-up households, kept in .cache/scale for the next time, and what a server does with them.
scale: bin/cuerda setup-tests
	go build -o .cache/scale-bin ./internal/load/scale
	.cache/scale-bin -cuerda bin/cuerda -folder $(or $(FOLDER),.cache/scale) -households $(or $(HOUSEHOLDS),10000) -page docs/performance.md

# BEFORE is a commit, such as v0.31.0: the version that the rolling upgrade begins with.
rehearse: bin/cuerda setup-cluster
	$(if $(BEFORE),@rm -rf .cache/before && git worktree prune && git worktree add -q --detach .cache/before $(BEFORE) && $(MAKE) --no-print-directory -C .cache/before build)
	go run ./internal/rehearsal/rehearse -cuerda $(CURDIR)/bin/cuerda $(if $(BEFORE),-before $(CURDIR)/.cache/before/bin/cuerda)

# The program of the package asks no library of the machine for anything. PACKAGE_VERSION is for its test alone.
package: web/dist/index.html
	@mkdir -p .cache/package $(or $(PACKAGES),dist)
	@CGO_ENABLED=0 go build -trimpath -ldflags "-s -w" -o .cache/package/cuerda ./cmd/cuerda
	@VERSION=$(or $(PACKAGE_VERSION),$$(sed -n 's/^const Number = "\(.*\)"/\1/p' internal/version/version.go)) ARCH=$$(go env GOARCH) \
		go tool -modfile=packaging/tools.mod nfpm package --config packaging/nfpm.yaml --packager deb --target $(or $(PACKAGES),dist)/

backup: bin/cuerda
	bin/cuerda backup $(or $(FILE),$(error say where: make backup FILE=...))

restore: bin/cuerda
	bin/cuerda restore $(or $(FILE),$(error say what: make restore FILE=...))

# Pictures for docs/screenshots, of a kitchen of their own.
shots: bin/cuerda setup-tests
	@data=$$(mktemp -d); mkdir "$$data/one" "$$data/two"; chmod -R 755 "$$data"; \
	bin/cuerda start --port 0 --data "$$data/one" > "$$data/one.log" & one=$$!; \
	bin/cuerda start --port 0 --data "$$data/two" --accounts > "$$data/two.log" & two=$$!; \
	trap 'kill $$one $$two; wait $$one $$two; rm -rf "$$data"' EXIT; \
	for i in $$(seq 300); do grep -q Stop "$$data/one.log" && grep -q Stop "$$data/two.log" && break; sleep .1; done; \
	echo "twelve oars on mud" | bin/cuerda account add Cox --data "$$data/two"; \
	go run ./e2e/shots -url "$$(sed -n 's/^Cuerda is at //p' "$$data/one.log")" -signed-in "$$(sed -n 's/.*made up, is at \(.*\)\/bench/\1/p' "$$data/two.log")"

clean:
	rm -rf bin dist .cache web/node_modules
	find web/dist -mindepth 1 ! -name .gitkeep -delete
