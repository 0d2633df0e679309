package org.yellowhearth.core.part;

/**
 * A part of a set, as it is listed in the census. A can of several sections is several capacitors
 * under one reference.
 */
public sealed interface Part
    permits Capacitor,
        Resistor,
        Potentiometer,
        Rectifier,
        Zener,
        Transistor,
        IntegratedCircuit,
        Valve,
        Winding,
        Movement,
        Relay,
        Fuse,
        Lamp,
        Connector,
        Battery {
  /** Its reference on the drawing. */
  PartRef ref();

  /** What is printed on it, as typed. */
  String marking();

  /** The date stamped on it, as typed; empty where none was seen. */
  String dateCode();

  String remark();

  /** Which sort of part it is. */
  default Sort sort() {
    return switch (this) {
      case Capacitor _ -> Sort.CAPACITOR;
      case Resistor _ -> Sort.RESISTOR;
      case Potentiometer _ -> Sort.POTENTIOMETER;
      case Rectifier _ -> Sort.RECTIFIER;
      case Zener _ -> Sort.ZENER;
      case Transistor _ -> Sort.TRANSISTOR;
      case IntegratedCircuit _ -> Sort.INTEGRATED_CIRCUIT;
      case Valve _ -> Sort.VALVE;
      case Winding _ -> Sort.WINDING;
      case Movement _ -> Sort.MOVEMENT;
      case Relay _ -> Sort.RELAY;
      case Fuse _ -> Sort.FUSE;
      case Lamp _ -> Sort.LAMP;
      case Connector _ -> Sort.CONNECTOR;
      case Battery _ -> Sort.BATTERY;
    };
  }
}
