@echo off
rem Yellow Hearth on Windows: builds what is needed and starts it. UNTESTED: written for whoever tries it first; please tell what was wrong.
rem It needs a JDK 25 or newer in JAVA_HOME and Maven (mvn) on the path.
setlocal
set here=%~dp0
if not exist "%JAVA_HOME%\bin\java.exe" (
  echo hearth: set JAVA_HOME to a JDK 25 or newer and start again. 1>&2
  exit /b 3
)
if not exist "%here%desk\target\desk.jar" (
  call mvn -B -q -f "%here%pom.xml" package -DskipTests -Dspotless.check.skip || exit /b 4
)
set run="%JAVA_HOME%\bin\java" --enable-native-access=ALL-UNNAMED --sun-misc-unsafe-memory-access=allow -cp "%here%desk\target\desk.jar;%here%desk\target\app\lib\*"
if "%1"=="demo" (
  %run% org.yellowhearth.desk.Main "--shop=%TEMP%\yellow-hearth-demo" "--demo=%here%demo"
) else (
  %run% org.yellowhearth.desk.Main %*
)
