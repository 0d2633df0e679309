package org.yellowhearth.desk.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.knowledge.json.RecordEdit;

/**
 * One component of a record is changed, and what the record refuses is refused with its own
 * sentence.
 */
public class RecordEditTest {
  private static final SupplyWinding WINDING =
      new SupplyWinding("w1", "T1", Optional.empty(), 250, OptionalDouble.empty(), true);

  @Test
  public void oneComponentIsChangedAndTheOthersStay() {
    assertThat(RecordEdit.with(WINDING, "volts", 300.0))
        .isEqualTo(
            new SupplyWinding("w1", "T1", Optional.empty(), 300, OptionalDouble.empty(), true));
    assertThat(RecordEdit.with(WINDING, "part", Optional.of(PartRef.of("T1"))).part())
        .contains(PartRef.of("T1"));
    assertThat(RecordEdit.with(WINDING, "tapped", false).tapped()).isFalse();
    assertThat(RecordEdit.get(WINDING, "volts")).isEqualTo(250.0);
    assertThat(WINDING.volts()).as("the one before stays as it is").isEqualTo(250);
  }

  @Test
  public void whatTheRecordRefusesIsRefusedInItsWords() {
    assertThatThrownBy(() -> RecordEdit.with(WINDING, "volts", -5.0))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("winding voltage");
    assertThatThrownBy(() -> RecordEdit.with(WINDING, "name", "mains"))
        .hasMessageContaining("the mains itself");
    assertThatThrownBy(() -> RecordEdit.get(WINDING, "colour"))
        .isInstanceOf(IllegalStateException.class);
  }
}
