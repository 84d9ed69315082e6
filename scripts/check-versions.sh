#!/bin/bash
# The older versions of WordPress, whole: every case of the conformance suite, and what else the lab tries on a blog.
set -euo pipefail
cd "$(dirname "$0")/../dist/test/lab"
for version in 6.8 6.1; do
  echo "check: WordPress $version"
  WORDPRESS=$version node --test --test-concurrency=2 --test-reporter=spec \
    blog.test.js conformance-blog.test.js languages.test.js settle.test.js trouble.test.js undo.test.js
done
