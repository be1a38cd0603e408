package unimotus.formats.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReadingCsvTest {
  private static List<ReadingCsv.Line> read(String text) throws IOException {
    return ReadingCsv.read("list.csv", text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void onlyWhatWasFilledInIsRead() throws IOException {
    List<ReadingCsv.Line> lines =
        read(
            "measured;key;unit\n12,1;ref50.signal;mA\n;ref50.shaft;rpm\nready;permission.closed;\n");
    assertThat(lines)
        .containsExactly(
            new ReadingCsv.Line(2, "ref50.signal", "12,1", "mA", "", "", ""),
            new ReadingCsv.Line(4, "permission.closed", "ready", "", "", "", ""));
    assertThat(lines).extracting(ReadingCsv.Line::typed).containsExactly("12,1 mA", "ready");
  }

  /** Somebody who writes the unit into the cell means that unit. */
  @Test
  void aUnitInTheCellIsKept() throws IOException {
    assertThat(read("key,measured,unit\nref50.machine,0.25 m/s,m/min\n").get(0).typed())
        .isEqualTo("0.25 m/s");
  }

  @Test
  void tablesThatAreNoneAreRefused() {
    assertThatThrownBy(() -> read("")).hasMessageContaining("empty");
    assertThatThrownBy(() -> read("key,value\n1,2\n"))
        .hasMessageContaining("no column 'measured'; it has key, value");
  }
}
