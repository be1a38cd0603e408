package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.servo.RecordedMotion;
import unimotus.core.servo.ServoTrace;
import unimotus.formats.json.FileFault;
import unimotus.formats.trace.MotionCsv;
import unimotus.formats.trace.MoveCsv;

class MotionCsvTest {
  private static RecordedMotion read(String text) throws FileFault {
    return MotionCsv.read(
        "trace.csv", text.getBytes(StandardCharsets.UTF_8), MeasureUnit.MILLIMETRE);
  }

  /** What this program writes of a simulation it reads as a recording. */
  @Test
  void itsOwnTraceIsRead() throws Exception {
    double[] load = {0, 1, 3, 6};
    ServoTrace trace =
        new ServoTrace(0.01, load, load, load, new double[4], new double[] {0, 0, 0, 0});
    StringBuilder out = new StringBuilder();
    MoveCsv.write(trace, 0.5, MeasureUnit.MILLIMETRE, out);
    RecordedMotion read = read(out.toString());
    assertThat(read.position()).containsExactly(0, 2, 6, 12);
    assertThat(read.seconds()[3]).isCloseTo(0.03, within(1e-9));
    assertThat(read.at(0.015)).isCloseTo(4, within(1e-9));
  }

  /** Another tool: semicolons, decimal commas, milliseconds and metres. */
  @Test
  void unitsAndSeparatorsAreTaken() throws Exception {
    RecordedMotion read = read("Actual position (m);Time (ms)\n0,001;0\n0,002;10\n0,0035;20,5\n");
    assertThat(read.position()[2]).isCloseTo(3.5, within(1e-9));
    assertThat(read.seconds()[2]).isCloseTo(0.0205, within(1e-12));
  }

  @Test
  void whatIsWrongIsNamed() {
    assertThatThrownBy(() -> read("Time (s),Speed (mm)\n0,0\n"))
        .hasMessageContaining("no column begins with 'position'")
        .hasMessageContaining("Speed (mm)");
    assertThatThrownBy(() -> read("Time (s),Position\n0,0\n"))
        .hasMessageContaining("'Position' has to state its unit");
    assertThatThrownBy(() -> read("Time (s),Position (V)\n0,0\n"))
        .hasMessageContaining("unit in brackets, such as (mm)");
    assertThatThrownBy(() -> read("Time (s),Position (mm)\n0,0\n1,x\n2,3\n"))
        .hasMessageContaining("'x' under 'Position (mm)'")
        .hasMessageContaining("3");
    assertThatThrownBy(() -> read("Time (s),Position (mm)\n0,0\n1\n2,3\n"))
        .hasMessageContaining("'' under 'Position (mm)'");
    assertThatThrownBy(() -> read("Time (s),Position (mm)\n0,0\n2,1\n1,3\n"))
        .hasMessageContaining("later than the one before");
  }
}
