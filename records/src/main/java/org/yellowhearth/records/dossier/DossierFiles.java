package org.yellowhearth.records.dossier;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDate;

/** Where dossiers go, and under what names: one that is there is never overwritten. */
public final class DossierFiles {
    private static final int LONGEST = 60;

    private DossierFiles() {
    }

    /** Where a dossier of a shop goes when nobody says otherwise. */
    public static Path usualFolder(Path shop) {
        return shop.resolve("dossiers");
    }

    /**
     * Writes a dossier into a folder under a name that is not taken yet, and returns the file. The file appears whole or not at all.
     *
     * @param set the name of the set
     */
    public static Path writeInto(Path folder, String set, LocalDate day, byte[] pdf) throws IOException {
        Files.createDirectories(folder);
        Path temporary = Files.createTempFile(folder, ".dossier", ".tmp");
        Files.write(temporary, pdf);
        return Files.move(temporary, free(folder, set, day, ".pdf"), StandardCopyOption.ATOMIC_MOVE);
    }

    /** A name in a folder that is not taken yet. */
    public static Path free(Path folder, String set, LocalDate day, String ending) {
        for (int i = 1;; i++) {
            Path file = folder.resolve(name(set, day, i) + ending);
            if (!Files.exists(file)) {
                return file;
            }
        }
    }

    private static String name(String set, LocalDate day, int copy) {
        String name = set.replaceAll("[^\\p{L}\\p{N} .-]", "").strip();
        String shortName = name.isEmpty() ? "set" : name.substring(0, Math.min(LONGEST, name.length())).strip();
        return shortName + " dossier " + day + (copy == 1 ? "" : " (" + copy + ")");
    }
}
