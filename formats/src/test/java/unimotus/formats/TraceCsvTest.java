package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.sheet.InductionPlate;
import unimotus.formats.trace.TraceCsv;

class TraceCsvTest {

  @Test
  void aTraceHasAHeaderWithUnitsAndARowASample() throws IOException {
    BenchSetup setup =
        new BenchSetup(
            n -> n,
            50,
            50,
            1,
            1,
            true,
            false,
            new InductionPlate(4000, 400, 8.05, 50, 1456, 0.81, 1, 0.0135),
            60,
            new ShaftLoad(0.02, 1, 0, 0));
    Trace trace = Bench.run(setup, Scenario.runAndStop(50, 2, 4));
    StringBuilder out = new StringBuilder();
    TraceCsv.write(trace, 100, out);
    List<CSVRecord> rows =
        CSVFormat.RFC4180
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .build()
            .parse(new StringReader(out.toString()))
            .getRecords();
    assertThat(out.toString())
        .startsWith("Time (s),Reference (Hz),Output frequency (Hz),Shaft speed (rpm)");
    assertThat(rows).hasSize(40);
    CSVRecord at = rows.get(15);
    int index = trace.indexAt(Double.parseDouble(at.get("Time (s)")));
    assertThat(Double.parseDouble(at.get("Shaft speed (rpm)")))
        .isCloseTo(trace.value(Trace.Channel.SHAFT, index), within(1e-3));
    assertThat(at.get("Status")).isEqualTo("running");
  }
}
