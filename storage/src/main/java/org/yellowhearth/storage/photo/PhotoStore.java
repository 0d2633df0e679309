package org.yellowhearth.storage.photo;

import com.drew.imaging.jpeg.JpegMetadataReader;
import com.drew.imaging.jpeg.JpegProcessingException;
import com.drew.metadata.Directory;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifReader;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.filters.Flip;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.storage.disk.NewFile;

/**
 * The folder of photographs in a shop. A photograph is copied byte for byte under the SHA-256 of
 * its bytes before anything names it; what the window shows are smaller pictures made beside it,
 * upright as the camera was held. They can be made again.
 */
public final class PhotoStore {
  /** The largest file that is taken, in bytes. */
  public static final long MOST_BYTES = 100_000_000;

  /** The most pixels that are taken. */
  public static final long MOST_PIXELS = 250_000_000;

  /** The longest side that is taken, in pixels: as much as a JPEG can have. */
  public static final int LONGEST_SIDE = 65_535;

  /** What is taken: the name of a format, and the ending that its files are kept with. */
  private static final Map<String, String> ENDINGS =
      Map.of("jpeg", "jpg", "png", "png", "gif", "gif", "bmp", "bmp");

  /** The notes of a camera stand near the beginning of a file. */
  private static final int NOTES_BYTES = 2_000_000;

  private static final DateTimeFormatter EXIF =
      DateTimeFormatter.ofPattern("yyyy:MM:dd HH:mm:ss", Locale.ROOT);

  private final Path folder;

  /** The sizes of picture that are shown. */
  public enum Size {
    /** For the contact sheet. */
    SMALL(360),
    /** For the bench. */
    LARGE(1600);

    private final int pixels;

    Size(int pixels) {
      this.pixels = pixels;
    }
  }

  /** The photographs of the shop in a folder. */
  public PhotoStore(Path shop) {
    this.folder = shop.resolve("photographs");
  }

  /**
   * Takes a photograph: checks it, copies it, makes its smaller pictures.
   *
   * @param id the id it gets in its job
   * @throws BadPhotographException where the file is none, is damaged or is too large; nothing is
   *     kept then
   */
  public Photograph take(Path source, String id) throws BadPhotographException {
    String name = String.valueOf(source.getFileName());
    try {
      if (!Files.isRegularFile(source)) {
        throw new BadPhotographException(name + " is no file. Pick a photograph.");
      }
      if (Files.size(source) > MOST_BYTES) {
        throw new BadPhotographException(
            name
                + " has "
                + Files.size(source) / 1_000_000
                + " MB; expected at most "
                + MOST_BYTES / 1_000_000
                + " MB. Save it smaller and pick that.");
      }
      Files.createDirectories(folder);
      Path copy = Files.createTempFile(folder, ".taking", ".tmp");
      try {
        return taken(source, copy, name, id);
      } finally {
        Files.deleteIfExists(copy);
      }
    } catch (IOException e) {
      throw new BadPhotographException(
          name + " could not be copied: " + e.getMessage() + ". Check the drive and its room.", e);
    }
  }

  private Photograph taken(Path source, Path copy, String name, String id)
      throws IOException, BadPhotographException {
    String hash = copied(source, copy);
    Shape shape = shape(copy, name);
    Metadata metadata = metadata(copy);
    int turn = orientation(metadata);
    BufferedImage large = shown(copy, name, turn, Size.LARGE);
    Path kept = folder.resolve(hash + "." + shape.ending);
    if (!Files.exists(kept)) {
      Files.move(copy, kept, StandardCopyOption.ATOMIC_MOVE);
    }
    written(large, reduced(kept.getFileName().toString(), Size.LARGE));
    written(
        Thumbnails.of(large).size(Size.SMALL.pixels, Size.SMALL.pixels).asBufferedImage(),
        reduced(kept.getFileName().toString(), Size.SMALL));
    boolean lying = turn >= 5;
    return new Photograph(
        id,
        kept.getFileName().toString(),
        name,
        lying ? shape.height : shape.width,
        lying ? shape.width : shape.height,
        time(metadata),
        "",
        Photograph.Side.DETAIL,
        Optional.empty());
  }

  private static String copied(Path source, Path copy) throws IOException {
    MessageDigest digest;
    try {
      digest = MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
    try (InputStream in = new DigestInputStream(Files.newInputStream(source), digest);
        OutputStream out = Files.newOutputStream(copy)) {
      in.transferTo(out);
    }
    try (FileChannel channel = FileChannel.open(copy, StandardOpenOption.WRITE)) {
      channel.force(true);
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  private record Shape(int width, int height, String ending) {}

  private static Shape shape(Path file, String name) throws IOException, BadPhotographException {
    try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
      ImageReader reader = reader(in, name);
      try {
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS || Math.max(width, height) > LONGEST_SIDE) {
          throw new BadPhotographException(
              name
                  + " has "
                  + width
                  + " × "
                  + height
                  + " pixels; expected at most "
                  + MOST_PIXELS / 1_000_000
                  + " million, and no side longer than "
                  + LONGEST_SIDE
                  + ". Save it smaller and pick that.");
        }
        return new Shape(
            width, height, ENDINGS.get(reader.getFormatName().toLowerCase(Locale.ROOT)));
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      throw unreadable(name, e);
    }
  }

  private static ImageReader reader(ImageInputStream in, String name)
      throws IOException, BadPhotographException {
    Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
    while (readers.hasNext()) {
      ImageReader reader = readers.next();
      if (ENDINGS.containsKey(reader.getFormatName().toLowerCase(Locale.ROOT))) {
        reader.setInput(in, true, true);
        return reader;
      }
    }
    throw new BadPhotographException(name + " is no photograph; expected JPEG, PNG, GIF or BMP.");
  }

  private static BadPhotographException unreadable(String name, Exception e) {
    return new BadPhotographException(
        name
            + " is damaged or of a sort that cannot be read ("
            + e.getMessage()
            + "). Open it in a picture program, save it as JPEG, and pick that.",
        e);
  }

  /**
   * Reads only as many pixels as the picture to be made needs, so that a large photograph takes
   * little memory.
   */
  private static BufferedImage subsampled(Path file, String name, Size size)
      throws BadPhotographException {
    try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
      ImageReader reader = reader(in, name);
      try {
        int step =
            Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / (2 * size.pixels));
        ImageReadParam param = reader.getDefaultReadParam();
        param.setSourceSubsampling(step, step, 0, 0);
        return reader.read(0, param);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      throw unreadable(name, e);
    }
  }

  /**
   * A picture of a file, small enough to be shown; what cannot be drawn is the file's fault and not
   * the drive's.
   */
  private static BufferedImage shown(Path file, String name, int turn, Size size)
      throws BadPhotographException {
    BufferedImage read = subsampled(file, name, size);
    try {
      return upright(read, turn, size);
    } catch (IOException | RuntimeException e) {
      throw unreadable(name, e);
    }
  }

  /** Turned and mirrored by the camera's note of how it was held (EXIF orientation 1 to 8). */
  private static BufferedImage upright(BufferedImage image, int orientation, Size size)
      throws IOException {
    int[] degrees = {0, 0, 0, 180, 180, 90, 90, 270, 270};
    double scale =
        Math.min(1, (double) size.pixels / Math.max(image.getWidth(), image.getHeight()));
    // However narrow a picture is, a pixel of it remains.
    Thumbnails.Builder<BufferedImage> picture =
        Thumbnails.of(image)
            .forceSize(scaled(image.getWidth(), scale), scaled(image.getHeight(), scale))
            .imageType(BufferedImage.TYPE_INT_RGB);
    if (degrees[orientation] != 0) {
      picture.rotate(degrees[orientation]);
    }
    boolean mirrored = orientation == 2 || orientation == 4 || orientation == 5 || orientation == 7;
    if (mirrored) {
      picture.addFilter(Flip.HORIZONTAL);
    }
    return picture.asBufferedImage();
  }

  private static int scaled(int pixels, double scale) {
    return Math.max(1, (int) Math.round(scale * pixels));
  }

  private static void written(BufferedImage image, Path file) throws IOException {
    Files.createDirectories(file.getParent());
    Path temporary = Files.createTempFile(file.getParent(), ".making", ".tmp");
    try {
      try (OutputStream out = Files.newOutputStream(temporary)) {
        Thumbnails.of(image)
            .scale(1)
            .imageType(BufferedImage.TYPE_INT_RGB)
            .outputFormat("jpg")
            .outputQuality(0.85)
            .toOutputStream(out);
      }
      Files.move(
          temporary, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(temporary);
    }
  }

  /**
   * What the camera noted in a JPEG (EXIF). Only that is looked for, and only at the beginning of
   * the file: what else is packed into pictures is of no use here, and some of it unpacks to more
   * than any memory holds.
   */
  private static Metadata metadata(Path file) {
    try (InputStream in = Files.newInputStream(file)) {
      return JpegMetadataReader.readMetadata(
          new ByteArrayInputStream(in.readNBytes(NOTES_BYTES)), List.of(new ExifReader()));
    } catch (JpegProcessingException | IOException e) {
      // A picture without readable notes from the camera is still a picture: it has no time and
      // stands as it is.
      return new Metadata();
    }
  }

  private static int orientation(Metadata metadata) {
    Directory directory = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
    Integer value =
        directory == null ? null : directory.getInteger(ExifDirectoryBase.TAG_ORIENTATION);
    return value == null || value < 1 || value > 8 ? 1 : value;
  }

  private static Optional<LocalDateTime> time(Metadata metadata) {
    Directory directory = metadata.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
    String text =
        directory == null ? null : directory.getString(ExifDirectoryBase.TAG_DATETIME_ORIGINAL);
    try {
      return text == null ? Optional.empty() : Optional.of(LocalDateTime.parse(text.strip(), EXIF));
    } catch (DateTimeException e) {
      // A camera whose clock was never set writes zeros or blanks: no time.
      return Optional.empty();
    }
  }

  /**
   * Takes the photographs that a job names from the folder beside its file, as far as they are
   * there and are what they are called. One that is missing or damaged stays missing; the job names
   * it all the same.
   *
   * @return what is to be told of those that could not be taken
   */
  public List<String> takeFrom(Path folderBeside, List<Photograph> photographs) {
    List<String> troubles = new ArrayList<>();
    for (Photograph p : photographs) {
      Path beside = folderBeside.resolve(p.file());
      if (!has(p) && Files.isRegularFile(beside)) {
        try {
          if (!take(beside, p.id()).file().equals(p.file())) {
            troubles.add(
                p.file()
                    + " beside the job is another photograph than the job names. "
                    + "It was kept, but nothing names it.");
          }
        } catch (BadPhotographException e) {
          troubles.add(e.getMessage());
        }
      }
    }
    return troubles;
  }

  /** The endings of files that are taken, as the JDK's readers name them. */
  public static Set<String> endings() {
    return Set.of("jpg", "jpeg", "png", "gif", "bmp");
  }

  /**
   * Copies the photographs of a job into a folder beside its file; those that are there already are
   * left alone.
   */
  public void copyTo(Path folderBeside, List<Photograph> photographs) throws IOException {
    for (Photograph p : photographs) {
      if (has(p) && !Files.exists(folderBeside.resolve(p.file()))) {
        Files.createDirectories(folderBeside);
        NewFile.write(folderBeside.resolve(p.file()), out -> Files.copy(original(p), out));
      }
    }
  }

  /** Where they lie. */
  public Path folder() {
    return folder;
  }

  /** The file as it came. */
  public Path original(Photograph photograph) {
    return folder.resolve(photograph.file());
  }

  /** Whether the file is there; a job that came without its photographs only names them. */
  public boolean has(Photograph photograph) {
    return Files.isRegularFile(original(photograph));
  }

  /**
   * A smaller picture of a photograph, made anew where it is missing.
   *
   * @throws BadPhotographException where the photograph itself is missing or damaged
   */
  public Path picture(Photograph photograph, Size size) throws BadPhotographException {
    Path picture = reduced(photograph.file(), size);
    if (Files.isRegularFile(picture)) {
      return picture;
    }
    Path original = original(photograph);
    if (!Files.isRegularFile(original)) {
      throw new BadPhotographException(
          photograph.original() + " is not in this shop. Bring the photograph itself in again.");
    }
    try {
      written(
          shown(original, photograph.original(), orientation(metadata(original)), size), picture);
      return picture;
    } catch (IOException e) {
      throw new BadPhotographException(
          photograph.original() + " could not be made smaller: " + e.getMessage(), e);
    }
  }

  private Path reduced(String file, Size size) {
    return folder.resolve(size.name().toLowerCase(Locale.ROOT)).resolve(file + ".jpg");
  }
}
