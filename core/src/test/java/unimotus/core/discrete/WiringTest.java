package unimotus.core.discrete;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

class WiringTest {

  @Test
  void netsJoinOverSeveralWires() {
    Nets nets =
        new Nets(
            List.of(
                Fixtures.wire("a", "x:1", "y:1"),
                Fixtures.wire("b", "y:1", "y:2"),
                Fixtures.wire("c", "z:1", "y:2")));
    assertThat(nets.joined(Fixtures.ref("x:1"), Fixtures.ref("z:1"))).isTrue();
    assertThat(nets.joined(Fixtures.ref("x:1"), Fixtures.ref("x:2"))).isFalse();
    assertThat(nets.joined(Fixtures.ref("q:1"), Fixtures.ref("q:1"))).isTrue();
    assertThat(
            nets.joinedWith(Fixtures.ref("x:1"), List.of(Fixtures.ref("q:1"), Fixtures.ref("y:2"))))
        .containsExactly(Fixtures.ref("y:2"));
  }

  @Test
  void theSameMarkingOnTwoDevicesIsTwoPoints() {
    assertThat(new Nets(List.of()).joined(Fixtures.ref("plc:DI1"), Fixtures.ref("drive:DI1")))
        .isFalse();
    assertThat(new TerminalRef("plc", "DI1")).hasToString("plc:DI1");
  }

  @Test
  void anUnwiredAxisGetsRunCommonReferenceAndAnswer() {
    Project bare = Fixtures.project().withWires(List.of());
    List<Wire> proposed = StandardWiring.propose(Fixtures.assembly(bare), List.of());
    assertThat(proposed)
        .extracting(w -> w.from() + " " + w.to())
        .containsExactly(
            "plc:DO0 drive:DI1",
            "plc:M drive:DCM",
            "plc:AO0 drive:AI1",
            "plc:AO0M drive:ACM",
            "drive:AO1 plc:AI0",
            "drive:ACM plc:AI0M");
    assertThat(DiscreteChecks.check(Fixtures.assembly(bare.withWires(proposed))))
        .allSatisfy(f -> assertThat(f.rule().code()).isEqualTo("DIS-008"));
  }

  @Test
  void whatIsWiredIsNotWiredAgain() {
    Project project = Fixtures.project();
    assertThat(StandardWiring.propose(Fixtures.assembly(project), project.wires())).isEmpty();
  }

  @Test
  void aSinkingInputGetsASinkingOutput() {
    Project bare =
        Fixtures.withDriveSelector(Fixtures.project().withWires(List.of()), "logic", "sink");
    assertThat(StandardWiring.propose(Fixtures.assembly(bare), List.of()).get(0).from())
        .isEqualTo(Fixtures.ref("plc:DS0"));
  }

  @Test
  void aPointInUseElsewhereIsLeftAlone() {
    Project bare = Fixtures.project().withWires(List.of());
    List<Wire> others = List.of(Fixtures.wire("w1", "plc:DO0", "other:DI1"));
    assertThat(StandardWiring.propose(Fixtures.assembly(bare), others).get(0).from())
        .isEqualTo(Fixtures.ref("plc:DO1"));
  }

  @Test
  void aControlReleaseIsJoinedToTheDrivesOwnSupply() {
    Project bare = Fixtures.withSetting(Fixtures.project().withWires(List.of()), "P17", "enable");
    assertThat(StandardWiring.propose(Fixtures.assembly(bare), List.of()))
        .anySatisfy(w -> assertThat(w.from() + " " + w.to()).isEqualTo("drive:P24 drive:DI2"));
  }
}
