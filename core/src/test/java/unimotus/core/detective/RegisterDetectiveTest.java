package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Predictor;
import unimotus.core.value.ValueType;
import unimotus.core.way.PathFactory;
import unimotus.core.way.register.RegisterCause;

/** Signatures of a reference in a register: tenfold, hundredfold, absurd (common practice). */
class RegisterDetectiveTest {
  private static final int[] PERCENTS = {0, 50, 100};

  /** The belt of the fixtures, 50 Hz at 25 m/min. */
  private static AxisAssembly axis(ValueType type, double scale, String unit) {
    return Fixtures.assembly(Fixtures.overRegister(Fixtures.reference(type, scale, unit, 400)));
  }

  static Stream<Arguments> signatures() {
    AxisAssembly hertz = axis(ValueType.SIGNED_16, 0.01, "Hz");
    AxisAssembly percent = axis(ValueType.UNSIGNED_16, 0.1, "%");
    double[] right = {0, 2500, 5000};
    return Stream.of(
        Arguments.of(AxisCause.AS_DESIGNED, hertz, right, new double[] {0, 25, 50}),
        Arguments.of(RegisterCause.REGISTER_SCALE, hertz, right, new double[] {0, 2.5, 5}),
        Arguments.of(RegisterCause.REGISTER_SCALE, hertz, right, new double[] {0, 0.25, 0.5}),
        // The number itself is a tenth: the screen and the program do not agree.
        Arguments.of(
            AxisCause.IMPLIED_DECIMALS,
            hertz,
            new double[] {0, 250, 500},
            new double[] {0, 2.5, 5}),
        // 2500 is 0x09C4; 0xC409 as a signed number is −15351, far beyond the limit.
        Arguments.of(RegisterCause.REGISTER_ORDER, hertz, right, new double[] {0, -50, -50}),
        // Written into the neighbour: whatever stood there before goes on.
        Arguments.of(AxisCause.OTHER_SOURCE, hertz, right, new double[] {33.3, 33.3, 33.3}),
        Arguments.of(AxisCause.MAXIMUM_CLAMP, hertz, right, new double[] {0, 25, 40}),
        // 100 % is 40 Hz in the drive where 50 Hz are meant.
        Arguments.of(
            AxisCause.DRIVE_SPAN, percent, new double[] {0, 500, 1000}, new double[] {0, 20, 40}));
  }

  @ParameterizedTest
  @MethodSource("signatures")
  void theSignatureNamesTheCause(
      Cause cause, AxisAssembly axis, double[] registers, double[] displays) {
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; i < PERCENTS.length; i++) {
      readings.add(number(Predictor.key(PERCENTS[i], Station.COUNTS), registers[i]));
      readings.add(number(Predictor.key(PERCENTS[i], Station.FREQUENCY), displays[i]));
    }
    SignalPath path = PathFactory.of(axis);
    Diagnosis diagnosis = Detective.diagnose(path, Predictor.references(axis, path), readings);
    assertThat(diagnosis.suspicions().get(0).cause()).isEqualTo(cause);
    assertThat(diagnosis.suspicions().get(0).probability()).isGreaterThan(0.4);
  }

  private static Reading number(String key, double amount) {
    return new Reading("belt", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }
}
