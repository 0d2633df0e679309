package org.yellowhearth.records.files;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Files that appear whole or not at all, and never in the place of another. */
public final class NewFile {
    private NewFile() {
    }

    /** Writes the content of a file. */
    public interface Content {
        void writeTo(OutputStream out) throws IOException;
    }

    /** Writes bytes. */
    public static void write(Path file, byte[] bytes) throws IOException {
        write(file, out -> out.write(bytes));
    }

    /**
     * Writes a file beside its place, puts it on the disk, and only then gives it its name. A program that is killed leaves at most a file whose name
     * begins with a dot and ends in {@code .part}.
     *
     * @throws FileAlreadyExistsException where something of that name is there
     */
    public static void write(Path file, Content content) throws IOException {
        Path whole = file.toAbsolutePath();
        refuseIfThere(whole);
        Path part = Files.createTempFile(whole.getParent(), ".", ".part");
        try {
            try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
                OutputStream out = Channels.newOutputStream(channel);
                content.writeTo(out);
                out.flush();
                channel.force(true);
            }
            name(part, whole);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** A link refuses a name that is taken even where two programs ask at once; where there are no links the name is looked at first. */
    private static void name(Path part, Path whole) throws IOException {
        try {
            Files.createLink(whole, part);
        } catch (UnsupportedOperationException e) {
            refuseIfThere(whole);
            Files.move(part, whole);
        }
    }

    private static void refuseIfThere(Path file) throws FileAlreadyExistsException {
        if (Files.exists(file)) {
            throw new FileAlreadyExistsException(file.toString(), null, "it is there already; choose another name");
        }
    }
}
