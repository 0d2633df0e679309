package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Map;

/** What the trade knows, read from files and handed to core as values. */
public record Knowledge(Map<String, CapacitorKind> kinds, Map<String, Source> sources, Vocabulary vocabulary,
        List<CautionRule> cautions) {
    public Knowledge {
        kinds = Map.copyOf(kinds);
        sources = Map.copyOf(sources);
        cautions = List.copyOf(cautions);
    }

    /** The kind with this id; one that is not known is a fault of the program. */
    public CapacitorKind kind(String id) {
        CapacitorKind kind = kinds.get(id);
        if (kind == null) {
            throw new IllegalArgumentException("unknown kind of capacitor: " + id);
        }
        return kind;
    }

    /** The source with this id; one that is not listed is a fault of the program. */
    public Source source(String id) {
        Source source = sources.get(id);
        if (source == null) {
            throw new IllegalArgumentException("unknown source: " + id);
        }
        return source;
    }
}
