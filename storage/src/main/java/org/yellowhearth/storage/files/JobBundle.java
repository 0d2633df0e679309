package org.yellowhearth.storage.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.disk.NewFile;
import org.yellowhearth.storage.photo.PhotoStore;

/**
 * Job files with their photographs in one ZIP. What comes in is unpacked into a folder of its own,
 * and nothing leaves that folder: no paths out of it, no links, nothing encrypted, no more entries
 * and bytes than a shop could need.
 */
public final class JobBundle implements AutoCloseable {
  private static final int MOST_ENTRIES = 20_000;
  private static final long MOST_BYTES = 4_000_000_000L;
  private static final int LONGEST_NAME = 240;
  private static final int BUFFER = 1 << 16;
  private static final Set<String> JOBS = Set.of("json", "hearthjob");

  private final Path folder;
  private final List<Path> jobs;

  private JobBundle(Path folder, List<Path> jobs) {
    this.folder = folder;
    this.jobs = jobs;
  }

  /** Whether a file is called like one of these. */
  public static boolean is(Path file) {
    return ending(file.getFileName().toString()).equals("zip");
  }

  /** The job files that were in it, each with its photographs beside it. */
  public List<Path> jobs() {
    return jobs;
  }

  /**
   * Unpacks a ZIP into a folder beside the shop.
   *
   * @throws BadFileException where it is no ZIP, is damaged, or holds what must not be unpacked
   */
  public static JobBundle unpack(Path zip, Path beside) throws IOException {
    return unpack(zip, beside, MOST_BYTES);
  }

  static JobBundle unpack(Path zip, Path beside, long mostBytes) throws IOException {
    Files.createDirectories(beside);
    Path folder = Files.createTempDirectory(beside, ".unpacked");
    try (ZipFile file = ZipFile.builder().setPath(zip).get()) {
      List<Path> jobs = new ArrayList<>();
      Set<String> names = new HashSet<>();
      long left = mostBytes;
      for (ZipArchiveEntry e : Collections.list(file.getEntries())) {
        String name = checked(e, names);
        if (!e.isDirectory() && wanted(name)) {
          if (!file.canReadEntryData(e)) {
            throw bad(
                name,
                "is encrypted or packed in a way that is not read here; pack it again without a password");
          }
          Path target = folder.resolve(name).normalize();
          if (!target.startsWith(folder)) {
            throw bad(name, "leads out of the folder it belongs in");
          }
          Files.createDirectories(target.getParent());
          boolean json = JOBS.contains(ending(name));
          long most = Math.min(left, json ? JsonText.LARGEST_BYTES : PhotoStore.MOST_BYTES);
          left -= copy(file.getInputStream(e), target, most, name);
          if (json) {
            jobs.add(target);
          }
        }
      }
      if (jobs.isEmpty()) {
        throw new BadFileException("there is no job file (.json or .hearthjob) in this ZIP", 0, "");
      }
      jobs.sort(Comparator.naturalOrder());
      return new JobBundle(folder, jobs);
    } catch (ZipException e) {
      NewFile.sweep(folder);
      throw new BadFileException(
          "this is no ZIP, or a damaged one: " + e.getMessage() + ". Fetch or pack it again.",
          0,
          "");
    } catch (IOException | RuntimeException e) {
      NewFile.sweep(folder);
      throw e;
    }
  }

  private static String checked(ZipArchiveEntry e, Set<String> names) {
    String name = e.getName();
    if (names.size() >= MOST_ENTRIES) {
      throw new BadFileException(
          "the ZIP has more than " + MOST_ENTRIES + " entries; pack fewer jobs into it", 0, "");
    }
    if (name.length() > LONGEST_NAME
        || name.chars().anyMatch(c -> Character.isISOControl(c) || c == '\\' || c == ':')) {
      throw bad(name, "has a name that no folder here can have");
    }
    if (name.startsWith("/")
        || Stream.of(name.split("/", -1)).anyMatch(p -> p.equals("..") || p.equals("."))) {
      throw bad(name, "leads out of the folder it belongs in");
    }
    if (e.isUnixSymlink()) {
      throw bad(name, "is a link to something else; pack the thing itself");
    }
    if (!names.add(name.toLowerCase(Locale.ROOT))) {
      throw bad(name, "is there twice");
    }
    return name;
  }

  private static BadFileException bad(String name, String why) {
    String shown =
        name.codePoints()
            .limit(80)
            .map(c -> Character.isISOControl(c) ? '?' : c)
            .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
            .toString();
    return new BadFileException("\"" + shown + "\" in the ZIP " + why, 0, "");
  }

  /** Job files and photographs; whatever else a program packed beside them is left alone. */
  private static boolean wanted(String name) {
    String last = name.substring(name.lastIndexOf('/') + 1);
    return !name.startsWith("__MACOSX/")
        && !last.startsWith(".")
        && (JOBS.contains(ending(last)) || PhotoStore.endings().contains(ending(last)));
  }

  private static String ending(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }

  /** What an entry says of its size is not believed: bytes are counted as they come. */
  private static long copy(InputStream from, Path to, long most, String name) throws IOException {
    byte[] buffer = new byte[BUFFER];
    long all = 0;
    try (from;
        OutputStream out = Files.newOutputStream(to)) {
      for (int n = from.read(buffer); n >= 0; n = from.read(buffer)) {
        all += n;
        if (all > most) {
          throw bad(name, "unpacks to more than is expected of it; nothing was taken");
        }
        out.write(buffer, 0, n);
      }
    }
    return all;
  }

  /** Writes a job with its photographs into a new ZIP. */
  public static void write(Path zip, String jobFile, String json, List<Path> photographs)
      throws IOException {
    NewFile.write(
        zip,
        out -> {
          ZipOutputStream packed = new ZipOutputStream(out, StandardCharsets.UTF_8);
          packed.putNextEntry(new ZipEntry(jobFile));
          packed.write(json.getBytes(StandardCharsets.UTF_8));
          for (Path p : photographs) {
            packed.putNextEntry(new ZipEntry("photographs/" + p.getFileName()));
            Files.copy(p, packed);
          }
          packed.finish();
        });
  }

  @Override
  public void close() throws IOException {
    NewFile.sweep(folder);
  }
}
