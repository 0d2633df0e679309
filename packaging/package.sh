# shellcheck shell=bash
# The application image with a Java runtime of its own, and on Debian a package of it. Read by hearth, which sets these.
: "${here:?}" "${app:?}" "${jdk:?}" "${version:?}" "${offscreen[0]:?}"

# What the application needs of Java: what jdeps finds, and what is only asked for at run time (elliptic curves and kerberos for a shared shop's server,
# character sets of lists, ZIPs, preferences).
modules() {
  local found
  found=$("$jdk/bin/jdeps" --multi-release 25 --ignore-missing-deps --print-module-deps -cp "$app/app/lib/*" "$app/desk.jar" 2>/dev/null | tail -1)
  printf '%s,java.desktop,java.logging,java.management,java.naming,java.prefs,java.security.jgss,java.sql,java.xml,jdk.charsets,jdk.crypto.ec,jdk.unsupported,jdk.zipfs' "${found:-java.base}"
}

first_ours() { # puts our own jars and the toolkit's before all others
  awk '/\/(desk\.jar|(core|instruments|knowledge|storage|publishing|workshop|cli)-[0-9]|javafx-)/ { print; next } { rest = rest $0 "\n" } END { printf "%s", rest }'
}

package() { # package FOLDER: the application image, and on Debian a package of it
  local out=$1 work image
  work=$(mktemp -d)
  trap 'rm -rf "$work"' RETURN
  mkdir -p "$out" "$work/input"
  cp "$app/desk.jar" "$app"/app/lib/*.jar "$work/input"
  mkdir "$work/input/licences"
  cp -R "$app"/app/licences/. "$here/packaging/licences/." "$here/LICENSE" "$work/input/licences"
  # The style is read at every start; compiled, it is read faster.
  local style=org/yellowhearth/desk/theme
  mkdir -p "$work/style/$style"
  "$jdk/bin/java" -cp "$app/app/lib/*" com.sun.javafx.css.parser.Css2Bin "$here/desk/src/main/resources/$style/hearth.css" "$work/style/$style/hearth.bss"
  "$jdk/bin/jar" --update --file "$work/input/desk.jar" -C "$work/style" "$style/hearth.bss"
  say "making a Java runtime of its own ..."
  "$jdk/bin/jlink" --add-modules "$(modules)" --strip-debug --no-header-files --no-man-pages --output "$work/runtime"
  say "making the application image ..."
  "$jdk/bin/jpackage" --type app-image --name yellow-hearth --app-version "${version%%-*}" --input "$work/input" --main-jar desk.jar \
    --main-class org.yellowhearth.desk.Main --runtime-image "$work/runtime" --icon "$here/packaging/icon.png" --dest "$out" \
    --java-options --enable-native-access=ALL-UNNAMED --java-options --sun-misc-unsafe-memory-access=allow
  image=$out/yellow-hearth
  # Ours and the toolkit come first on the class path: to find a typeface or a service, every jar before it is opened.
  local cfg=$image/lib/app/yellow-hearth.cfg
  { grep -v '^app.classpath' "$cfg" | sed '/^\[JavaOptions\]/,$d'; grep '^app.classpath' "$cfg" | first_ours; sed -n '/^\[JavaOptions\]/,$p' "$cfg"; } >"$work/cfg"
  cp "$work/cfg" "$cfg"
  say "letting it start once, so that its classes lie ready ..."
  # What it loads until its first keystroke is kept; without the cache it starts as well, only slower.
  if JAVA_TOOL_OPTIONS="-XX:AOTCacheOutput=$image/lib/app/hearth.aot ${offscreen[*]}" "$image/bin/yellow-hearth" "--shop=$work/shop" --until-ready=4 >"$work/train.log" 2>&1 \
    && [ -f "$image/lib/app/hearth.aot" ]; then
    # shellcheck disable=SC2016 # the starter puts its folder in, not the shell
    printf 'java-options=-XX:AOTCache=$APPDIR/hearth.aot\n' >>"$image/lib/app/yellow-hearth.cfg"
  else
    say "the start could not be prepared ($(tail -1 "$work/train.log")); going on without."
  fi
  say "the application lies in $image; start $image/bin/yellow-hearth"
  if command -v dpkg-deb >/dev/null && { command -v fakeroot >/dev/null || { may_install && install fakeroot; }; }; then
    say "making a Debian package ..."
    "$jdk/bin/jpackage" --type deb --app-image "$image" --name yellow-hearth --app-version "${version%%-*}" --dest "$out" --icon "$here/packaging/icon.png" \
      --description "Planner, calculator, simulator, logbook and trainer for restorers of valve-era and early solid-state equipment" \
      --linux-shortcut --linux-menu-group "Science;Electronics" --linux-deb-maintainer hearth@example.org --resource-dir "$here/packaging/deb" --file-associations "$here/packaging/job.properties" \
      --linux-package-deps "libgtk-3-0 | libgtk-3-0t64, libpango-1.0-0, libpangoft2-1.0-0, fontconfig, libxxf86vm1, libgl1"
    say "the package: $(ls "$out"/*.deb)"
  fi
}
