package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;

/** Only the verb that is called is built, and it is the same as among all. */
class VerbsTest {
  private static CommandLine line(String... arguments) {
    PrintWriter nowhere = new PrintWriter(new StringWriter());
    return Main.commandLine(nowhere, nowhere, arguments);
  }

  @Test
  void everyVerbIsFoundByTheNameItGivesItself() {
    assertThat(line().getSubcommands().keySet()).containsExactlyElementsOf(Verbs.names());
    for (String name : Verbs.names()) {
      CommandLine one = line(name);
      assertThat(one.getSubcommands()).containsKey(name);
      assertThat(one.getSubcommands().get(name).getUsageMessage())
          .isEqualTo(line().getSubcommands().get(name).getUsageMessage());
      assertThat(one.getSubcommands().size())
          .isEqualTo(name.equals("help") ? Verbs.names().size() : 1);
    }
  }

  @Test
  void aMisspeltVerbIsComparedWithAll() {
    StringWriter err = new StringWriter();
    int status =
        Main.run(new PrintWriter(new StringWriter()), new PrintWriter(err, true), "chek", "demo");
    assertThat(status).isEqualTo(2);
    assertThat(err.toString()).contains("check");
  }
}
