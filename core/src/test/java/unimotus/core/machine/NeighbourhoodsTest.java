package unimotus.core.machine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.sheet.Meaning;

class NeighbourhoodsTest {

  private static Project with(Project project, String... wires) {
    List<Wire> all = new ArrayList<>(project.wires());
    for (String wire : wires) {
      String[] ends = wire.split(" ");
      all.add(Fixtures.wire("x" + all.size(), ends[0], ends[1]));
    }
    return project.withWires(all);
  }

  private static AxisAssembly assembly(Project project) {
    return Fixtures.assembly(project);
  }

  @Test
  void aRelayInTheWayBringsItsCoilCircuitWithIt() {
    Project project =
        with(
            Fixtures.withPart(Fixtures.project(), "k1", "test-relay"),
            "drive:P24 k1:11",
            "k1:14 drive:DI2",
            "plc:DO1 k1:A1",
            "k1:A2 plc:0V");
    AxisAssembly axis = assembly(project);
    assertThat(axis.parts()).extracting(p -> p.part().id()).containsExactly("k1");
    assertThat(axis.wires()).hasSize(10);
  }

  @Test
  void aSupplyIsEverybodysAndTheSearchEndsThere() {
    Project project =
        with(
            Fixtures.withPart(
                Fixtures.withPart(Fixtures.project(), "psu", "test-supply"), "k9", "test-relay"),
            "psu:- drive:COM",
            "psu:+ k9:A1");
    AxisAssembly axis = assembly(project);
    assertThat(axis.parts()).extracting(p -> p.part().id()).containsExactly("psu");
    assertThat(axis.wires()).noneMatch(w -> w.touches("k9"));
  }

  @Test
  void whatHangsOnTheSamePointOfTheControllerBelongsToIt() {
    AxisAssembly axis = assembly(with(Fixtures.project(), "plc:DO0 other:X1", "plc:DO1 other:X2"));
    assertThat(axis.wires()).anyMatch(w -> w.touches(Fixtures.ref("other:X1")));
    assertThat(axis.wires()).noneMatch(w -> w.touches(Fixtures.ref("other:X2")));
  }

  @Test
  void whatIsMeantForTheAxisBelongsToItEvenWithoutAWireToTheDrive() {
    Project project =
        with(
                Fixtures.withPart(Fixtures.project(), "hot", "test-selector"),
                "plc:24V hot:3",
                "hot:4 plc:DI0")
            .withIntents(
                List.of(
                    new Intent(
                        "belt",
                        Fixtures.ref("plc:DI0"),
                        Meaning.MOTOR_COOL,
                        List.of(new Condition("hot", "hand")))));
    assertThat(assembly(project).parts()).extracting(p -> p.part().id()).containsExactly("hot");
  }

  @Test
  void neighbourhoodsHoldUntilTheWiringChanges() {
    Project project = Fixtures.project();
    var sheets = Fixtures.sheets();
    Neighbourhoods around = new Neighbourhoods(project, sheets);
    assertThat(around.holdFor(Fixtures.withSetting(project, "P7", 9), sheets)).isTrue();
    assertThat(around.holdFor(with(project, "plc:DO1 drive:DI2"), sheets)).isFalse();
    assertThat(around.holdFor(Fixtures.withPart(project, "k1", "test-relay"), sheets)).isFalse();
  }
}
