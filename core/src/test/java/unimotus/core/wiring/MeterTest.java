package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static unimotus.core.Fixtures.ref;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;

class MeterTest {
  private static final CommandState RUN = CommandState.REST.with(ref("plc:DO0"), true);
  private final LineSolver solver =
      new LineSolver(Installation.of(Fixtures.project(), Fixtures.sheets()));
  private final Meter meter = new Meter(solver);

  @Test
  void theRunInputShowsTheSupplyWhenItIsOn() {
    assertThat(meter.volts(RUN, List.of(), ref("drive:DI1"), ref("drive:COM")).orElseThrow())
        .isEqualTo(24, within(0.05));
  }

  @Test
  void exchangedProbesExchangeTheSign() {
    double one = meter.volts(RUN, List.of(), ref("plc:24V"), ref("plc:0V")).orElseThrow();
    double other = meter.volts(RUN, List.of(), ref("plc:0V"), ref("plc:24V")).orElseThrow();
    assertThat(one).isEqualTo(-other, within(1e-9));
  }

  @Test
  void betweenSeparateSuppliesTheMeterFloats() {
    assertThat(meter.volts(RUN, List.of(), ref("plc:RO"), ref("plc:0V"))).isEmpty();
  }

  @Test
  void milliampsCountFromTheFirstEndOfTheWire() {
    assertThat(meter.milliamps(RUN, List.of(), "w1").orElseThrow()).isEqualTo(4.786, within(0.01));
    assertThat(meter.milliamps(RUN, List.of(), "w2").orElseThrow())
        .as("the return flows the other way")
        .isEqualTo(-4.786, within(0.01));
  }

  @Test
  void continuityIsTestedWithThePowerOff() {
    assertThat(meter.ohms(RUN, List.of(), ref("plc:DO0"), ref("drive:DI1"))).isLessThan(0.1);
    assertThat(meter.ohms(RUN, List.of(), ref("drive:AI1"), ref("drive:AG")))
        .as("the burden of a current input")
        .isEqualTo(250, within(1.0));
    assertThat(
            meter.ohms(
                RUN, List.of(new WiringFault.OpenWire("w1")), ref("plc:DO0"), ref("drive:DI1")))
        .as("a broken wire, the leakage path aside")
        .isGreaterThan(Meter.CONTINUITY_OHMS);
    assertThat(meter.ohms(RUN, List.of(), ref("plc:RO"), ref("plc:RC"))).isInfinite();
    assertThat(meter.ohms(RUN, List.of(), ref("plc:0V"), ref("plc:0V"))).isZero();
  }
}
