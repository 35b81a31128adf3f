#!/usr/bin/env bash
# Runs the test runners named (unit, web, e2e), then prints one line with the totals of all of them.
# Fails when a test failed, or when a runner did not run or ran nothing.
set -uo pipefail
cd "$(dirname "$0")/.."
results=artifacts/results
rm -rf "$results"
mkdir -p "$results"
wanted=()

for runner in "$@"; do
  case "$runner" in
    unit)
      for project in Incisura.Core.Tests Incisura.Exchange.Tests Incisura.Web.Tests; do
        wanted+=("$results/$project.json")
        dotnet build "tests/$project" -c Release -v q --nologo || continue
        dotnet run --no-build -c Release --project "tests/$project" -- -noColor -noLogo -ctrf "$results/$project.json" 2>&1 | grep -vE ' (INF|WRN)\] '
      done
      ;;
    web)
      wanted+=("$results/web.json")
      (cd tests/web && ./node_modules/.bin/vitest run --reporter=default --reporter=json --outputFile.json="../../$results/web.json")
      ;;
    e2e)
      wanted+=("$results/e2e.json")
      dotnet build src/Incisura.Web -c Release -v q --nologo
      (cd tests/e2e && PLAYWRIGHT_JSON_OUTPUT_NAME="../../$results/e2e.json" ./node_modules/.bin/playwright test)
      ;;
    *)
      echo "unknown runner: $runner" >&2
      exit 2
      ;;
  esac
done

node tests/totals.mjs "${wanted[@]}"
