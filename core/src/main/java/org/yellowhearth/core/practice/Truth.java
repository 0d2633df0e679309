package org.yellowhearth.core.practice;

import org.yellowhearth.core.part.PartRef;

/**
 * What a part of a practice set truly is; nobody sees it before the end.
 *
 * @param value its true capacitance (F) or resistance (Ω)
 * @param dissipation at 100 Hz and above what its dielectric loses; none for a resistor
 * @param leakOhms what lies across it; infinite for a resistor
 */
public record Truth(PartRef part, Ailment ailment, double value, double dissipation, double leakOhms) {
}
