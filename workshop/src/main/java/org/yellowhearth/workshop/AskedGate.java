package org.yellowhearth.workshop;

import java.util.function.Consumer;
import org.yellowhearth.core.safety.Gate;

/**
 * A gate at which somebody stands now.
 *
 * @param goOn goes through it, with what the person said
 * @param leave goes back; nothing is kept
 */
public record AskedGate(Gate gate, Consumer<String> goOn, Runnable leave) {}
