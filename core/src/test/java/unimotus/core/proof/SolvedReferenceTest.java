package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.way.PathFactory;

/** Predictions follow the wires as they are, not as they were meant. */
class SolvedReferenceTest {

  private static Prediction told(Project project, String key) {
    AxisAssembly axis = Fixtures.assembly(project);
    SignalPath path = PathFactory.of(axis);
    return Predictor.predict(axis, path).stream()
        .filter(p -> p.key().equals(key))
        .findFirst()
        .orElse(null);
  }

  private static double amount(Project project, int percent, Station station) {
    Prediction prediction = told(project, Predictor.key(percent, station));
    return ((Expectation.Amount) prediction.expectation()).value();
  }

  private static String word(Project project, String key) {
    return ((Expectation.Word) told(project, key).expectation()).expected();
  }

  @Test
  void soundWiresCarryWhatIsSent() {
    assertThat(amount(Fixtures.project(), 50, Station.SIGNAL)).isEqualTo(12);
    assertThat(amount(Fixtures.project(), 50, Station.FREQUENCY)).isCloseTo(25, within(0.01));
    AxisAssembly axis = Fixtures.assembly();
    SignalPath path = PathFactory.of(axis);
    assertThat(told(Fixtures.project(), "ref50.signal").sum(path).text())
        .doesNotContain("solved wires");
  }

  /** Into 100 kΩ a 500 Ω output drives its compliance, 10 V and a little: a tenth of a milliamp. */
  @Test
  void anInputSetForVoltsTakesNoLoopCurrent() {
    Project project = Fixtures.withDriveSelector(Fixtures.project(), "AI1.kind", "voltage");
    assertThat(amount(project, 0, Station.SIGNAL)).isCloseTo(0.1, within(0.02));
    assertThat(amount(project, 100, Station.SIGNAL)).isCloseTo(0.1, within(0.02));
    AxisAssembly axis = Fixtures.assembly(project);
    assertThat(told(project, "ref50.signal").sum(PathFactory.of(axis)).text())
        .contains("on the solved wires")
        .contains("Kirchhoff");
  }

  /** 20 mA over 250 Ω and two wires of 600 Ω asks for more volts than the output has. */
  @Test
  void aLoopTooLongReachesNoFullScale() {
    Project project = Fixtures.project();
    List<Wire> wires =
        project.wires().stream()
            .map(w -> List.of("w3", "w4").contains(w.id()) ? thin(w) : w)
            .toList();
    Project far = project.withWires(wires);
    double full = amount(far, 100, Station.SIGNAL);
    assertThat(full).isBetween(5.0, 12.0);
    assertThat(amount(far, 0, Station.SIGNAL)).as("the low end still fits").isEqualTo(4);
    assertThat(amount(far, 100, Station.FREQUENCY))
        .as("the frequency follows what arrives")
        .isCloseTo((full - 4) / 16 * 50, within(0.3));
  }

  private static Wire thin(Wire wire) {
    WireMake make = WireMake.PLAIN.withSize(ConductorSize.metric(0.25)).withLength(8700);
    return new Wire(wire.id(), wire.from(), wire.to(), make);
  }

  /** A broken live zero trips a drive that is told to, and holds or idles one that is not. */
  @Test
  void aLostLiveZeroIsAFaultOnlyWhereTheDriveActsOnIt() {
    Project open = Fixtures.without(Fixtures.project(), "w3");
    assertThat(word(open, Predictor.CLOSED_STATUS)).isEqualTo("fault");
    assertThat(told(open, Predictor.OPEN_STATUS)).as("a fault hides the permission").isNull();
    Project idle = Fixtures.withSetting(open, "P23", "none");
    assertThat(word(idle, Predictor.CLOSED_STATUS)).isEqualTo("ready");
    assertThat(word(Fixtures.project(), Predictor.CLOSED_STATUS)).isEqualTo("ready");
  }
}
