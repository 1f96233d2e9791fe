#!/bin/bash
# Counts and analyses a collection on a Slurm cluster.
#
#   cluster/submit.sh TEXTS OUT SHARDS [SBATCH OPTION ...]
#
# TEXTS and OUT are folders that every node sees; SHARDS is how many parts the files of TEXTS are counted in. What follows
# goes to sbatch, such as --partition=long --time=2:00:00. In the environment, where wanted:
#   THICKET_COUNT_OPTIONS    for thicket count, such as --settings /shared/settings.json
#   THICKET_ANALYSE_OPTIONS  for thicket analyse, such as --attributes /shared/attributes.csv --report
set -eu
if [ $# -lt 3 ]; then
  sed -n '2,11s/^# \{0,1\}//p' "$0" >&2
  exit 2
fi
here=$(cd "$(dirname "$0")" && pwd)
export THICKET_TEXTS=$1 THICKET_OUT=$2 THICKET_SHARDS=$3
export THICKET_PROGRAM=${THICKET_PROGRAM:-$here/../dist/cli/main.js}
export THICKET_COUNT_OPTIONS=${THICKET_COUNT_OPTIONS:-} THICKET_ANALYSE_OPTIONS=${THICKET_ANALYSE_OPTIONS:-}
shift 3
if [ ! -e "$THICKET_PROGRAM" ]; then
  echo "The command line is not built yet: npm run thicket -- --help builds it." >&2
  exit 2
fi
mkdir -p "$THICKET_OUT/parts" "$THICKET_OUT/log"
counting=$(sbatch --parsable --array="1-$THICKET_SHARDS" --output="$THICKET_OUT/log/count-%a.txt" "$@" \
  "$here/thicket.sbatch" count)
analysing=$(sbatch --parsable --dependency="afterok:$counting" --kill-on-invalid-dep=yes \
  --output="$THICKET_OUT/log/analyse.txt" "$@" "$here/thicket.sbatch" analyse)
echo "Counting in $THICKET_SHARDS parts is job $counting, analysing is job $analysing. Results come to $THICKET_OUT/results."
