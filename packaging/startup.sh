# shellcheck shell=bash
# How long the packaged application takes to its first keystroke. Read by hearth after package.sh.
: "${here:?}" "${jdk:?}" "${offscreen[0]:?}"

startup() { # startup IMAGE: time to the first accepted keystroke, against an empty window with the same runtime and flags, each with its own cache
  local image=$1 work java
  work=$(mktemp -d)
  trap 'rm -rf "$work"' RETURN
  java=("$jdk/bin/java")
  [ -x "$image/lib/runtime/bin/java" ] && java=("$image/lib/runtime/bin/java")
  mkdir "$work/empty"
  "$jdk/bin/javac" -d "$work/empty" -cp "$image/lib/app/*" "$here/desk/src/startup/EmptyWindow.java"
  (cd "$work/empty" && "$jdk/bin/jar" cf ../empty.jar .)
  local path
  path="$work/empty.jar:$(printf "%s\n" "$image"/lib/app/javafx-*.jar | paste -sd:)"
  local same=(--enable-native-access=ALL-UNNAMED --sun-misc-unsafe-memory-access=allow "${offscreen[@]}")
  local whole
  whole="$(printf "%s\n" "$image"/lib/app/*.jar | first_ours | paste -sd:)"
  "${java[@]}" "${same[@]}" -XX:AOTCacheOutput="$work/empty.aot" -cp "$path" EmptyWindow >/dev/null 2>&1
  "${java[@]}" "${same[@]}" -XX:AOTCacheOutput="$work/hearth.aot" -cp "$whole" org.yellowhearth.desk.Main "--shop=$work/shop" --until-ready=4 >/dev/null 2>&1
  for _ in 1 2 3 4 5 6 7; do
    "${java[@]}" "${same[@]}" -XX:AOTCache="$work/empty.aot" -cp "$path" EmptyWindow 2>/dev/null | sed -n 's/^ready /empty /p'
    "${java[@]}" "${same[@]}" -XX:AOTCache="$work/hearth.aot" -cp "$whole" org.yellowhearth.desk.Main "--shop=$work/shop" --until-ready=0 2>/dev/null | sed -n 's/^ready /hearth /p; s/^open /open /p'
  done | sort -k1,1 -k2,2n | awk '{ v[$1, ++n[$1]] = $2 } END { e = v["empty", int((n["empty"] + 1) / 2)]; h = v["hearth", int((n["hearth"] + 1) / 2)];
    o = v["open", int((n["open"] + 1) / 2)];
    printf "empty window %d ms, Yellow Hearth %d ms (medians of %d and %d): %.2f times; its shop open at %d ms\n", e, h, n["empty"], n["hearth"], h / e, o }'
}
