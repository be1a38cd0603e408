package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.detective.Detective;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.motion.ServoAxis;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.LoopGains;
import unimotus.core.way.PathFactory;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/**
 * What is read off the stand-in servo, beside what is predicted: the drive's own simulation knows
 * no path. Then the slicer is built otherwise than it is designed, and the cause has to be named.
 */
class ServoProofTest {
  private static final String X = "slicer-x";

  /** Place by place along the cut: it stands at 300 mm after 1.1 s, at 0 after 2.2 s at most. */
  private static final double AT_SPEED = 0.35;

  /** The demo with gains entered, Kv 40 /s. */
  private static Project designed() {
    return MotionEdits.change(X, "gains", d -> d.withGains(new LoopGains(40, 0.1, 0, 0)))
        .change()
        .apply(Demo.project());
  }

  private static Reading reading(String key, double amount) {
    return new Reading(X, key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  /**
   * Runs a line as it was built, commanded by the counts of a program, and reads what is there.
   *
   * @param sent counts of the program for 1 mm
   */
  private static List<Reading> readings(Project built, double sent) throws Exception {
    ServoAxis axis = ServoRig.axis(built, X);
    AxisScaling shown = axis.copies().of(Holder.DRIVE).orElseThrow();
    double turn = shown.countsPerTurn().doubleValue();
    List<Reading> readings = new ArrayList<>();
    try (ServoRig rig = new ServoRig(built)) {
      List<Double> counts = rig.counts(0, axis, sent);
      double far = counts.stream().mapToDouble(c -> c).max().orElseThrow() / turn;
      double last = counts.get(counts.size() - 1) / turn;
      readings.add(reading("place1.counts", Math.round(300 * sent)));
      readings.add(reading("place1.shaft", far));
      readings.add(reading("place1.machine", far * 60));
      readings.add(reading("place2.counts", 0));
      readings.add(reading("place2.machine", last * 60));
      readings.add(reading("link.turn", turn));
      int k = (int) (AT_SPEED * 1000);
      // The drive goes to a set-point within the cycle after it came.
      double wanted = axis.plan().at((k - 1) * 0.001).position() * sent;
      readings.add(reading("link.following", wanted - counts.get(k - 1)));
    }
    return readings;
  }

  private static List<Prediction> predictions(AxisAssembly axis, SignalPath path) {
    return Predictor.predict(axis, path);
  }

  private static String first(List<Reading> readings) {
    AxisAssembly axis = ServoRig.assembly(designed(), X);
    SignalPath path = PathFactory.of(axis);
    return Detective.diagnose(path, predictions(axis, path), readings)
        .suspicions()
        .get(0)
        .cause()
        .name();
  }

  private static double sent(Project project) {
    return ServoRig.axis(project, X)
        .copies()
        .of(Holder.PROGRAM)
        .orElseThrow()
        .signedCountsPerUnit();
  }

  private static Project scaling(Holder holder, AxisScaling copy) {
    return MotionEdits.scaling(X, holder, copy).change().apply(designed());
  }

  @Test
  void theCutIsReadAsItIsPredicted() throws Exception {
    AxisAssembly axis = ServoRig.assembly(designed(), X);
    List<Prediction> all = predictions(axis, PathFactory.of(axis));
    List<Reading> readings = readings(designed(), sent(designed()));
    for (Reading reading : readings) {
      Expectation.Amount expected =
          (Expectation.Amount)
              all.stream()
                  .filter(p -> p.key().equals(reading.prediction()))
                  .findFirst()
                  .orElseThrow(() -> new AssertionError(reading.prediction()))
                  .expectation();
      assertThat(Math.abs(reading.amount() - expected.value()))
          .as("%s: %s, predicted %s", reading.prediction(), reading.amount(), expected)
          .isLessThanOrEqualTo(expected.tolerance());
    }
    assertThat(first(readings)).isEqualTo("AS_DESIGNED");
  }

  /** The drive counts 20 bits where 17 are meant; then its motion axis 360 for 60 mm. */
  @Test
  void whatWasBuiltOtherwiseIsNamed() throws Exception {
    AxisScaling copy = ServoRig.axis(designed(), X).machine();
    Project drive = scaling(Holder.DRIVE, copy.withCounts(1 << 20));
    assertThat(first(readings(drive, sent(designed())))).isEqualTo("DRIVE_ENCODER");
    Project program = scaling(Holder.PROGRAM, copy.withFeed(new BigDecimal(360)));
    assertThat(first(readings(designed(), sent(program)))).isEqualTo("PROGRAM_FEED");
    Project encoder = scaling(Holder.PROGRAM, copy.withCounts(1 << 16));
    assertThat(first(readings(designed(), sent(encoder)))).isEqualTo("PROGRAM_ENCODER");
  }
}
