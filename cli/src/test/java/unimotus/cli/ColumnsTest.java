package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ColumnsTest {
  @Test
  void wordsStandInLineHoweverLongTheyAre() {
    Columns columns = new Columns("> ", Set.of(1));
    columns.row("a", "1", "end");
    columns.row("longer", "1000", "");
    columns.row("b", "20", "another end");
    StringWriter out = new StringWriter();
    columns.print(new PrintWriter(out, true));
    assertThat(out.toString().lines())
        .containsExactly("> a          1  end", "> longer  1000  ", "> b         20  another end");
  }
}
