package unimotus.core.machine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;

class NetsTest {

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
}
