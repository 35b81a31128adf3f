#!/usr/bin/env bash
# Runs what was built (unit: xUnit, web: Vitest, e2e: Playwright): a line for each runner with its failures, and a last one with the totals.
# What the runners and servers say themselves lies in artifacts/results. Fails when a test failed, or a runner did not run or ran nothing.
set -uo pipefail
cd "$(dirname "$0")/.."
totals=$PWD/tests/totals.mjs
results=$PWD/artifacts/results
rm -rf "$results"
mkdir -p "$results"

export INCISURA_SEED=${INCISURA_SEED:-$((RANDOM * 32768 + RANDOM))}
echo "The random part of each property begins at INCISURA_SEED=$INCISURA_SEED"

# Runs a command that leaves a report, and says what came of it.
ran() {
  local report=$results/$1.json
  shift
  "$@" > "${report%.json}.log" 2>&1
  node "$totals" line "$report"
}

xunit() {
  for project in Core Exchange Web; do
    ran "$project" dotnet "tests/Incisura.$project.Tests/bin/Release/net10.0/Incisura.$project.Tests.dll" \
      -noColor -noLogo -ctrf "$results/$project.json"
  done
}

page() {
  (cd tests/web && ran page vitest run --maxWorkers=1 --testTimeout=120000 --hookTimeout=120000 --reporter=json --outputFile="$results/page.json")
}

journeys() {
  (cd tests/e2e && PLAYWRIGHT_JSON_OUTPUT_NAME="$results/journeys.json" ran journeys playwright test)
}

PATH=$PWD/web/node_modules/.bin:$PATH
export INCISURA_FILLED
wanted=()
beside=
for runner in "$@"; do
  case "$runner" in
    unit)
      INCISURA_FILLED=$(node tests/filled.cjs) || exit 1
      wanted+=("$results"/{Core,Exchange,Web}.json)
      xunit &
      beside=$!
      ;;
    web)
      wanted+=("$results/page.json")
      page
      ;;
    e2e)
      wait $beside
      wanted+=("$results/journeys.json")
      journeys
      ;;
    *)
      echo "unknown runner: $runner" >&2
      exit 2
      ;;
  esac
done
wait
node "$totals" total "${wanted[@]}"
