package org.yellowhearth.desk;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Properties;

/** The words of the window itself. Gaps are {0}, {1} and so on. */
public final class Labels {
    private static final Properties TEXTS = load();

    private Labels() {
    }

    private static Properties load() {
        Properties texts = new Properties();
        try (Reader reader = new InputStreamReader(Labels.class.getResourceAsStream("labels.properties"),
                StandardCharsets.UTF_8)) {
            texts.load(reader);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return texts;
    }

    /** The text for a key with its gaps filled. */
    public static String of(String key, Object... gaps) {
        String text = TEXTS.getProperty(key);
        if (text == null) {
            throw new IllegalArgumentException("no label " + key);
        }
        for (int i = 0; i < gaps.length; i++) {
            text = text.replace("{" + i + "}", String.valueOf(gaps[i]));
        }
        return text;
    }
}
