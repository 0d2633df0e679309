package org.yellowhearth.core.knowledge;

import java.util.Map;

import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;

/** The words that may be typed for kinds, roles and polarities; lower case, several words joined by one space. */
public record Vocabulary(Map<String, String> kinds, Map<String, Role> roles, Map<String, Polarity> polarities) {
    public Vocabulary {
        kinds = Map.copyOf(kinds);
        roles = Map.copyOf(roles);
        polarities = Map.copyOf(polarities);
    }
}
