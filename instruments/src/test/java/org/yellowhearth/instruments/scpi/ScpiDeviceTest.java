package org.yellowhearth.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Messages, status and errors as SCPI-99 and IEEE 488.2 have them (from memory). */
public class ScpiDeviceTest {
  private Toy toy;

  /** A supply with two channels. */
  private static final class Toy extends ScpiDevice {
    private final double[] volts = {0, 0};
    private boolean on;

    Toy() {
      command(
          "SOURce:VOLTage[:LEVel]",
          a -> {
            a.atMost(1);
            volts[a.channel(2) - 1] = a.number(0, "V", 0, 600);
          });
      query("SOURce:VOLTage[:LEVel]", a -> figure(volts[a.channel(2) - 1]));
      command("SOURce:RESistance", a -> volts[0] = a.number(0, "OHM", 0, 1e9));
      command("OUTPut[:STATe]", a -> on = a.onOff(0));
      query("OUTPut[:STATe]", a -> on ? "1" : "0");
      command("FUNCtion", a -> on = a.word(0, "CURRent", "VOLTage").equals("CURRENT"));
    }

    @Override
    protected String identity() {
      return "Yellow Hearth,toy,0,1";
    }

    @Override
    protected void reset() {
      volts[0] = 0;
      on = false;
    }

    @Override
    protected void catchUp() {
      // It does nothing between messages.
    }
  }

  @BeforeMethod
  public void switchOn() {
    toy = new Toy();
  }

  private String ask(String message) {
    return toy.execute(message).orElse("");
  }

  @DataProvider
  public Object[][] headers() {
    return new Object[][] {
      {"SOUR:VOLT 12"},
      {"SOURCE:VOLTAGE 12"},
      {"sour:volt:lev 12"},
      {":SOUR:VOLT 12 V"},
      {"SOUR:VOLT 0.012 KV"},
      {"SOUR:VOLT 1.2E1"},
      {"SOUR:VOLT 12000 mV"},
      {"OUTP ON;:SOUR:VOLT 12"},
      {"SOUR:RES 1;VOLT 12"},
      {"SOUR:RES 1;*OPC;VOLT 12"},
      {"SOUR:VOLT 12;;"}
    };
  }

  /** Short and long forms, optional nodes, case, suffixes, compound messages. */
  @Test(dataProvider = "headers")
  public void everyWayOfWritingIsUnderstood(String message) {
    assertThat(ask(message)).isEmpty();
    assertThat(ask("SOUR:VOLT?")).isEqualTo("+1.200000E+01");
    assertThat(ask("SYST:ERR?")).isEqualTo("0,\"No error\"");
  }

  @DataProvider
  public Object[][] faults() {
    return new Object[][] {
      {"SOUR:VOLTS 1", -113, 32},
      {"SOU:VOLT 1", -113, 32},
      {"SOUR:VOLT? 1;FOO", -113, 32},
      {"SOUR:VOLT 601", -222, 16},
      {"SOUR:VOLT -1", -222, 16},
      {"SOUR:VOLT", -109, 32},
      {"SOUR:VOLT 1,2", -108, 32},
      {"SOUR:VOLT abc", -104, 32},
      {"SOUR:VOLT 1 OHM", -131, 32},
      {"SOUR3:VOLT 1", -114, 32},
      {"SOUR:VOLT 1,(@3)", -114, 32},
      {"OUTP MAYBE", -224, 16},
      {"SOUR:VOLT (@x)", -224, 16},
      {"FUNC RES", -224, 16},
      {"SOUR::VOLT 1", -102, 32},
      {"OUTP \"ON", -102, 32},
      {"SOURCEVOLTAGESOURCE 1", -112, 32},
      {"\u0007OUTP ON", -101, 32}
    };
  }

  /**
   * Every fault stands in the queue with its number and sets its bit of the event status register.
   */
  @Test(dataProvider = "faults")
  public void everyFaultHasItsNumber(String message, int number, int bit) {
    toy.execute("*CLS");
    toy.execute(message);
    assertThat(ask("*ESR?")).isEqualTo(Integer.toString(bit));
    assertThat(ask("SYST:ERR?")).startsWith(number + ",\"");
    assertThat(ask("SYST:ERR:NEXT?")).startsWith("0,");
  }

  /** The M of OHM and HZ is mega, of V and A milli (SCPI-99, decimal numeric suffixes). */
  @Test
  public void megaAndMilli() {
    toy.execute("SOUR:RES 2 MOHM");
    assertThat(ask("SOUR:VOLT?")).isEqualTo("+2.000000E+06");
    toy.execute("SOUR:VOLT 2 MV");
    assertThat(ask("SOUR:VOLT?")).isEqualTo("+2.000000E-03");
    toy.execute("SOUR:VOLT MAX");
    assertThat(ask("SOUR:VOLT?")).isEqualTo("+6.000000E+02");
  }

  @Test
  public void channelsAreSuffixesOrLists() {
    toy.execute("SOUR2:VOLT 5;:SOUR:VOLT 7,(@1)");
    assertThat(ask("SOUR2:VOLT?;:SOUR:VOLT? (@1)")).isEqualTo("+5.000000E+00;+7.000000E+00");
  }

  /**
   * IEEE 488.2: power-on bit first, event mask into the status byte, cleared by reading; the queue
   * has bit 2.
   */
  @Test
  public void statusRegisters() {
    assertThat(ask("*ESR?;*ESR?")).isEqualTo("128;0");
    assertThat(ask("*STB?")).isEqualTo("0");
    toy.execute("*ESE 32;*SRE 32;FOO");
    assertThat(ask("*STB?")).isEqualTo(Integer.toString(4 + 32 + 64));
    toy.execute("*CLS");
    assertThat(ask("*STB?")).isEqualTo("0");
    assertThat(ask("*OPC?;*TST?;SYST:VERS?;*ESE?")).isEqualTo("1;0;1999.0;32");
    toy.execute("*OPC");
    assertThat(ask("*ESR?")).isEqualTo("1");
  }

  @Test
  public void theQueueOverflowsWithItsOwnWord() {
    for (int k = 0; k < 30; k++) {
      toy.execute("FOO");
    }
    String last = "";
    int count = 0;
    for (String e = ask("SYST:ERR?"); !e.startsWith("0,"); e = ask("SYST:ERR?")) {
      last = e;
      count++;
    }
    assertThat(count).isEqualTo(20);
    assertThat(last).startsWith("-350,");
  }

  /**
   * What stands before the fault was carried out, what stands after it was not; the answers before
   * it come.
   */
  @Test
  public void aFaultEndsTheMessage() {
    assertThat(ask("SOUR:VOLT 3;VOLT?;FOO;VOLT 9")).isEqualTo("+3.000000E+00");
    assertThat(ask("SOUR:VOLT?")).isEqualTo("+3.000000E+00");
  }

  @Test
  public void resetSwitchesOff() {
    toy.execute("OUTP ON;*RST");
    assertThat(ask("OUTP?")).isEqualTo("0");
    assertThat(ask("*IDN?").split(",")).hasSize(4);
  }
}
