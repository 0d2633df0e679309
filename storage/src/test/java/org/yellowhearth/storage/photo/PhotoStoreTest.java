package org.yellowhearth.storage.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.storage.files.JobBundle;

public class PhotoStoreTest {
  private Path folder;
  private PhotoStore store;

  @BeforeMethod
  public void newShop() throws IOException {
    folder = Files.createTempDirectory("photo");
    store = new PhotoStore(folder.resolve("shop"));
  }

  /** A picture with its left half red, so that a turn shows. */
  private static BufferedImage picture(int width, int height) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.RED);
    g.fillRect(0, 0, width / 2, height);
    g.dispose();
    return image;
  }

  private static byte[] jpeg(int width, int height) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture(width, height), "jpg", out);
    return out.toByteArray();
  }

  /**
   * A JPEG with an EXIF segment (TIFF 6.0 and EXIF 2.3 as published): how it was held, and when it
   * was taken.
   */
  private static byte[] withExif(byte[] jpeg, int orientation, String time) throws IOException {
    ByteArrayOutputStream tiff = new ByteArrayOutputStream();
    DataOutputStream d = new DataOutputStream(tiff);
    d.writeBytes("MM");
    d.writeShort(42);
    d.writeInt(8);
    d.writeShort(2);
    d.writeShort(0x0112);
    d.writeShort(3);
    d.writeInt(1);
    d.writeShort(orientation);
    d.writeShort(0);
    d.writeShort(0x8769);
    d.writeShort(4);
    d.writeInt(1);
    d.writeInt(38);
    d.writeInt(0);
    d.writeShort(1);
    d.writeShort(0x9003);
    d.writeShort(2);
    d.writeInt(20);
    d.writeInt(56);
    d.writeInt(0);
    d.writeBytes(time);
    d.writeByte(0);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DataOutputStream o = new DataOutputStream(out);
    o.write(jpeg, 0, 2);
    o.writeShort(0xFFE1);
    o.writeShort(tiff.size() + 8);
    o.writeBytes("Exif");
    o.writeShort(0);
    tiff.writeTo(o);
    o.write(jpeg, 2, jpeg.length - 2);
    return out.toByteArray();
  }

  private Path file(String name, byte[] bytes) throws IOException {
    return Files.write(folder.resolve(name), bytes);
  }

  @Test
  public void aPhotographIsCopiedByteForByteAndTheOriginalLeftAlone() throws Exception {
    byte[] bytes = withExif(jpeg(400, 300), 1, "2026:05:04 10:20:30");
    Path original = file("IMG 0001.JPG", bytes);
    Photograph p = store.take(original, "p1");
    assertThat(Files.readAllBytes(original)).isEqualTo(bytes);
    assertThat(Files.readAllBytes(store.original(p))).isEqualTo(bytes);
    assertThat(p.file())
        .isEqualTo(
            HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)) + ".jpg");
    assertThat(p.taken()).contains(LocalDateTime.of(2026, 5, 4, 10, 20, 30));
    assertThat(p.original()).isEqualTo("IMG 0001.JPG");
    assertThat(List.of(p.widthPixels(), p.heightPixels())).containsExactly(400, 300);
    assertThat(store.take(original, "p2").file())
        .as("the same bytes are kept once")
        .isEqualTo(p.file());
    try (Stream<Path> left = Files.list(folder.resolve("shop/photographs"))) {
      assertThat(left.filter(Files::isRegularFile)).hasSize(1);
    }
  }

  /** EXIF orientation as the standard tells it: where the picture's first row and column belong. */
  @DataProvider
  public Object[][] orientations() {
    return new Object[][] {
      {1, 0.25, 0.5},
      {2, 0.75, 0.5},
      {3, 0.75, 0.5},
      {4, 0.25, 0.5},
      {5, 0.5, 0.25},
      {6, 0.5, 0.25},
      {7, 0.5, 0.75},
      {8, 0.5, 0.75}
    };
  }

  @Test(dataProvider = "orientations")
  public void theCamerasNoteOfHowItWasHeldIsFollowed(
      int orientation, double redAcross, double redDown) throws Exception {
    Photograph p =
        store.take(
            file("turned.jpg", withExif(jpeg(400, 200), orientation, "2026:05:04 10:20:30")), "p");
    BufferedImage shown = ImageIO.read(store.picture(p, PhotoStore.Size.SMALL).toFile());
    boolean upright = shown.getHeight() > shown.getWidth();
    assertThat(upright).isEqualTo(orientation >= 5);
    assertThat(p.heightPixels() > p.widthPixels()).isEqualTo(upright);
    assertThat(red(shown, redAcross, redDown)).isTrue();
    assertThat(red(shown, 1 - redAcross, 1 - redDown)).isFalse();
  }

  private static boolean red(BufferedImage image, double across, double down) {
    return new Color(
                image.getRGB((int) (across * image.getWidth()), (int) (down * image.getHeight())))
            .getRed()
        > 150;
  }

  @Test
  public void thirtyMegapixelsAreTakenWithoutHoldingThemAll() throws Exception {
    Photograph p = store.take(file("large.jpg", jpeg(6720, 4480)), "p");
    assertThat(p.widthPixels() * (long) p.heightPixels()).isGreaterThan(30_000_000);
    BufferedImage large = ImageIO.read(store.picture(p, PhotoStore.Size.LARGE).toFile());
    assertThat(Math.max(large.getWidth(), large.getHeight())).isBetween(1500, 1600);
  }

  @Test
  public void aMissingPictureIsMadeAgainAndAMissingPhotographSaidToBe() throws Exception {
    Photograph p = store.take(file("a.png", png(50, 40)), "p");
    Files.delete(store.picture(p, PhotoStore.Size.SMALL));
    assertThat(store.picture(p, PhotoStore.Size.SMALL)).exists();
    PhotoStore other = new PhotoStore(folder.resolve("other"));
    assertThat(
            catchThrowableOfType(
                BadPhotographException.class, () -> other.picture(p, PhotoStore.Size.SMALL)))
        .hasMessageContaining("not in this shop");
    store.copyTo(folder.resolve("beside"), List.of(p));
    assertThat(other.takeFrom(folder.resolve("beside"), List.of(p))).isEmpty();
    assertThat(other.has(p)).isTrue();
  }

  @Test
  public void oneDamagedPhotographBesideAJobDoesNotKeepTheOthersOut() throws Exception {
    Photograph bad = store.take(file("a.png", png(50, 40)), "p");
    Photograph good = store.take(file("b.png", png(40, 50)), "q");
    Path beside = folder.resolve("beside");
    store.copyTo(beside, List.of(bad, good));
    Files.write(beside.resolve(bad.file()), new byte[] {1, 2, 3});
    PhotoStore other = new PhotoStore(folder.resolve("other"));
    assertThat(other.takeFrom(beside, List.of(bad, good)))
        .singleElement()
        .asString()
        .contains("is no photograph");
    assertThat(other.has(bad)).isFalse();
    assertThat(other.has(good)).isTrue();
  }

  /** Whatever is taken goes out and comes back, whichever sort it is. */
  @DataProvider
  public Object[][] sorts() {
    return new Object[][] {{"jpg"}, {"png"}, {"gif"}, {"bmp"}};
  }

  @Test(dataProvider = "sorts")
  public void everySortComesBackOutOfAZip(String ending) throws Exception {
    assertThat(PhotoStore.endings()).contains(ending);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    assertThat(ImageIO.write(picture(60, 40), ending, out)).isTrue();
    Photograph p = store.take(file("a." + ending.toUpperCase(Locale.ROOT), out.toByteArray()), "p");
    assertThat(p.file()).endsWith("." + ending);
    Path zip = folder.resolve("out.zip");
    JobBundle.write(zip, "job.hearthjob", "{}", List.of(store.original(p)));
    PhotoStore other = new PhotoStore(folder.resolve("other"));
    try (JobBundle bundle = JobBundle.unpack(zip, folder.resolve("unpacked"))) {
      assertThat(other.takeFrom(bundle.jobs().getFirst().resolveSibling("photographs"), List.of(p)))
          .isEmpty();
    }
    assertThat(Files.readAllBytes(other.original(p))).isEqualTo(out.toByteArray());
  }

  /**
   * A PNG of few colours (PNG specification, chunks PLTE and zTXt) in which a comment unpacks to
   * very much.
   */
  private static byte[] talkative(int megabytes) throws IOException {
    BufferedImage few = new BufferedImage(40, 30, BufferedImage.TYPE_BYTE_INDEXED);
    ByteArrayOutputStream plain = new ByteArrayOutputStream();
    ImageIO.write(few, "png", plain);
    ByteArrayOutputStream text = new ByteArrayOutputStream();
    text.write("zTXt".getBytes(StandardCharsets.ISO_8859_1));
    text.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
    try (DeflaterOutputStream packed = new DeflaterOutputStream(text)) {
      byte[] megabyte = new byte[1_000_000];
      for (int k = 0; k < megabytes; k++) {
        packed.write(megabyte);
      }
    }
    CRC32 crc = new CRC32();
    crc.update(text.toByteArray());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DataOutputStream d = new DataOutputStream(out);
    d.write(plain.toByteArray(), 0, 33);
    d.writeInt(text.size() - 4);
    text.writeTo(d);
    d.writeInt((int) crc.getValue());
    d.write(plain.toByteArray(), 33, plain.size() - 33);
    return out.toByteArray();
  }

  @Test
  public void aCommentThatUnpacksToVeryMuchIsNotUnpacked() throws Exception {
    Path file = file("talkative.png", talkative(400));
    com.sun.management.ThreadMXBean threads =
        (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
    long before = threads.getCurrentThreadAllocatedBytes();
    Photograph p = store.take(file, "p");
    assertThat(threads.getCurrentThreadAllocatedBytes() - before)
        .as("bytes of memory")
        .isLessThan(100_000_000);
    assertThat(List.of(p.widthPixels(), p.heightPixels())).containsExactly(40, 30);
  }

  @Test
  public void aNarrowStripIsShownAllTheSame() throws Exception {
    Photograph p = store.take(file("strip.png", png(9000, 2)), "p");
    BufferedImage small = ImageIO.read(store.picture(p, PhotoStore.Size.SMALL).toFile());
    assertThat(List.of(small.getWidth(), small.getHeight())).containsExactly(360, 1);
  }

  private static byte[] png(int width, int height) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture(width, height), "png", out);
    return out.toByteArray();
  }

  /** A PNG that says it is of another size. */
  private static byte[] bomb(int width, int height) throws IOException {
    byte[] png = png(8, 8);
    byte[] header = new byte[17];
    System.arraycopy(png, 12, header, 0, 17);
    ByteBuffer.wrap(header).putInt(4, width).putInt(8, height);
    System.arraycopy(header, 0, png, 12, 17);
    CRC32 crc = new CRC32();
    crc.update(header);
    for (int i = 0; i < 4; i++) {
      png[29 + i] = (byte) (crc.getValue() >> (24 - 8 * i));
    }
    return png;
  }

  @DataProvider
  public Object[][] refused() throws IOException {
    byte[] good = jpeg(300, 300);
    byte[] cut = Arrays.copyOf(good, 300);
    return new Object[][] {
      {"empty.jpg", new byte[0], "no photograph"},
      {"letter.jpg", "Dear Sir, the set hums.".getBytes(StandardCharsets.UTF_8), "no photograph"},
      {"cut.jpg", cut, "damaged"},
      {"cut.png", Arrays.copyOf(png(300, 300), 200), "damaged"},
      {"cut-head.png", Arrays.copyOf(png(300, 300), 20), "damaged"},
      {"bomb.png", bomb(100_000, 100_000), "100000 × 100000 pixels"},
      {"strip.png", bomb(249_000_000, 1), "249000000 × 1 pixels"}
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsNoPhotographIsRefusedPolitelyAndLeavesNothing(
      String name, byte[] bytes, String why) throws IOException {
    Path bad = file(name, bytes);
    BadPhotographException e =
        catchThrowableOfType(BadPhotographException.class, () -> store.take(bad, "p"));
    assertThat(e).hasMessageContaining(why).hasMessageContaining(name);
    assertThat(e.getMessage()).as("the drive is not to blame").doesNotContain("drive");
    try (Stream<Path> left = Files.list(folder.resolve("shop/photographs"))) {
      assertThat(left).isEmpty();
    }
  }

  @Test
  public void aFolderIsNoPhotograph() {
    assertThat(catchThrowableOfType(BadPhotographException.class, () -> store.take(folder, "p")))
        .hasMessageContaining("no file");
  }
}
