package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.sheet.SettingValue;
import unimotus.core.way.PathFactory;

/**
 * What the signal path says of a range that meets another, beside what the solved circuit delivers
 * to the drive's input.
 */
class MixedSignalTest {

  private static AxisAssembly axis(String sent, String read, String kind) {
    Project project =
        Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), Links.ANALOG_REFERENCE);
    project =
        project
            .with(project.controllers().get(0).withSelector("AO0.range", sent))
            .with(
                project
                    .drives()
                    .get(0)
                    .withSelector("AI2.kind", kind)
                    .withSetting("I70", new SettingValue.Choice(read)));
    var wires =
        project.wires().stream()
            .map(
                w ->
                    w.to().terminal().equals("AI1")
                        ? w.withEnds(w.from(), Lines.ref("drive:AI2"))
                        : w)
            .toList();
    project =
        project
            .withWires(wires)
            .with(
                project
                    .axes()
                    .get(0)
                    .withReference(project.axes().get(0).reference().withTerminals("AO0", "AI2")));
    return Lines.axis(project);
  }

  private static double delivered(AxisAssembly axis, String read, double signal) {
    double received =
        new LineSolver(Installation.of(axis))
            .solve(CommandState.REST.withSignal(Lines.ref("plc:AO0"), signal))
            .received(Lines.ref("drive:AI2"))
            .orElseThrow();
    double percent = SignalRange.ofLabel(read).orElseThrow().percentAt(received);
    return Math.max(0, Math.min(100, percent));
  }

  /**
   * 4–20 against 0–20 mA both ways round, volts into a current input and the reverse: the path and
   * the circuit agree at every quarter of the span.
   */
  @ParameterizedTest
  @CsvSource({
    "4-20 mA, 4-20 mA, current",
    "4-20 mA, 0-20 mA, current",
    "0-20 mA, 4-20 mA, current",
    "0-10 V, 0-20 mA, current",
    "0-10 V, 0-10 V, voltage",
    "4-20 mA, 0-10 V, voltage"
  })
  void thePathAgreesWithTheCircuit(String sent, String read, String kind) {
    AxisAssembly axis = axis(sent, read, kind);
    SignalPath path = PathFactory.of(axis);
    for (double number : new double[] {0, 6.25, 12.5, 18.75, 25}) {
      double signal = path.value(Station.SIGNAL, number);
      double said = path.value(Station.DRIVE_PERCENT, number);
      assertThat(said)
          .as("%s sent, %s read, %s at %s", sent, read, kind, number)
          .isEqualTo(delivered(axis, read, signal), within(0.5));
    }
  }

  /** 20 % of the span at zero, fading to none at full scale [follows from the two ranges]. */
  @Test
  void aLiveZeroReadAsADeadOneIsTwentyPercentOffAtZeroAndRightAtTheTop() {
    AxisAssembly axis = axis("4-20 mA", "0-20 mA", "current");
    assertThat(delivered(axis, "0-20 mA", 4)).isEqualTo(20, within(0.1));
    assertThat(delivered(axis, "0-20 mA", 12)).isEqualTo(60, within(0.1));
    assertThat(delivered(axis, "0-20 mA", 20)).isEqualTo(100, within(0.1));
  }

  /** The other way round the bottom fifth is lost [follows from the two ranges]. */
  @Test
  void aDeadZeroReadAsALiveOneLosesItsBottomFifth() {
    AxisAssembly axis = axis("0-20 mA", "4-20 mA", "current");
    assertThat(delivered(axis, "4-20 mA", 0)).isZero();
    assertThat(delivered(axis, "4-20 mA", 4)).isEqualTo(0, within(0.1));
    assertThat(delivered(axis, "4-20 mA", 12)).isEqualTo(50, within(0.1));
  }

  /** Every range of the trade, from an output to an input set alike, at every quarter. */
  @ParameterizedTest
  @EnumSource(SignalRange.class)
  void everyRangeArrivesAsItWasSent(SignalRange range) {
    Project bare = Lines.bare("controller-modular", "terminal-drive-4kw");
    Project project =
        bare.with(
                bare.controllers()
                    .get(0)
                    .withSelector("AO0.range", range.label())
                    .withSelector("AI0.range", range.label()))
            .withWires(
                List.of(
                    new Wire("1", Lines.ref("plc:AO0"), Lines.ref("plc:AI0")),
                    new Wire("2", Lines.ref("plc:AO0-"), Lines.ref("plc:AI0-"))));
    LineSolver solver = new LineSolver(Installation.of(project, Lines.SHEETS));
    for (double percent = range.leastPercent(); percent <= 100; percent += 25) {
      double sent = range.signalAt(percent);
      double received =
          solver
              .solve(CommandState.REST.withSignal(Lines.ref("plc:AO0"), sent))
              .received(Lines.ref("plc:AI0"))
              .orElseThrow();
      assertThat(received).as("%s %%", percent).isEqualTo(sent, within(0.005 * range.high()));
    }
  }

  /**
   * A 5 kΩ potentiometer on 10 V, loaded with 100 kΩ: at half way 10 V · 2439 / (2500 + 2439) =
   * 4.938 V, not 5 (voltage divider).
   */
  @Test
  void aPotentiometerIsALoadedDivider() {
    Project project =
        Lines.with(Lines.bare("controller-modular", "terminal-drive-4kw"), Links.POTENTIOMETER);
    String wiper = project.parts().get(0).id() + ":2";
    LineSolver solver = new LineSolver(Installation.of(project, Lines.SHEETS));
    double half =
        solver
            .solve(CommandState.REST.withSignal(Lines.ref(wiper), 50))
            .received(Lines.ref("drive:AI1"))
            .orElseThrow();
    assertThat(half).isEqualTo(4.938, within(0.005));
    double top =
        solver
            .solve(CommandState.REST.withSignal(Lines.ref(wiper), 100))
            .received(Lines.ref("drive:AI1"))
            .orElseThrow();
    assertThat(top).isEqualTo(10, within(0.01));
  }
}
