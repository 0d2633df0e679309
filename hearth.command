#!/bin/sh
# For macOS, where a file of this ending starts by a double click. Untested.
cd "$(dirname "$0")" && exec ./hearth "$@"
