package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;

import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;

/**
 * The verdict on one part with everything it rests on.
 *
 * @param because the reason that decided, naming the school where a school decided
 * @param next the one measurement that would settle it, where the evidence is thin or contradicts itself
 * @param measured whether anything has been measured of it yet
 */
public record Assessment(Capacitor part, List<Finding> findings, Verdict verdict, Message because, Optional<Message> next,
        boolean measured) {
    public Assessment {
        findings = List.copyOf(findings);
    }
}
