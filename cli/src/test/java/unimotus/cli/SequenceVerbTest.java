package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The verb {@code sequence}: feed, tie, dwell twice a minute; doubtful ones and wrong ones. */
class SequenceVerbTest {
  private static final String FEED =
      "1200 mm; tie on until 'tie is closed' within 3 s; tie off; wait 23 s; repeat 2 times";

  @TempDir private Path folder;
  private StringWriter out;
  private StringWriter err;

  private int run(String... arguments) {
    out = new StringWriter();
    err = new StringWriter();
    return Main.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
  }

  /**
   * 1200 mm at 200 mm/s and 800 mm/s² are 6.25 s; half a second to tie and 23 s: 29.75 s, twice.
   */
  @Test
  void feedTieDwellTwiceAMinute() throws IOException {
    Path text = folder.resolve("feed.st");
    assertThat(
            run(
                "sequence",
                "demo",
                "--axis",
                "bale-tie",
                "--steps",
                FEED,
                "--out",
                text.toString()))
        .isZero();
    assertThat(out.toString())
        .contains("move 1200 mm")
        .contains("'tie' on until 'tie is closed' within 3 s")
        .contains("repeat 2 times");
    assertThat(Files.readString(text))
        .contains("FUNCTION_BLOCK Sequence_Bale_tie_feeder")
        .contains("see_tie_is_closed")
        .contains("MoveAmount := 1200.0;");
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--steps", FEED, "--json")).isZero();
    JsonNode document = new ObjectMapper().readTree(out.toString());
    assertThat(document.get("seconds").asDouble()).isCloseTo(59.5, within(0.4));
    assertThat(document.get("ended").asBoolean()).isTrue();
    assertThat(document.get("ran")).hasSize(10);
  }

  /** Once every 30 s through the wires; with the step wire open the motor stands. */
  @Test
  void theSequenceOfTheProjectRunsThroughItsWires() throws IOException {
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--json")).isZero();
    JsonNode document = new ObjectMapper().readTree(out.toString());
    assertThat(document.get("sequence").asText()).isEqualTo("Feed and tie");
    assertThat(document.get("lostPulses").asInt()).isZero();
    double second = document.get("ran").get(5).get("begins").asDouble();
    assertThat(second - document.get("ran").get(0).get("begins").asDouble())
        .isCloseTo(30, within(0.1));
    assertThat(
            run(
                "sequence",
                "demo",
                "--axis",
                "bale-tie",
                "--events",
                "0.1 start; 3 open w63; 9 end"))
        .isEqualTo(1);
    assertThat(out.toString())
        .contains("do not reach bale-tie-driver:ST+")
        .contains("move 1200 mm")
        .contains("A simulation is not a proof.");
    assertThat(
            run(
                "sequence",
                "demo",
                "--axis",
                "bale-tie",
                "--run",
                "Feed and tie",
                "--out",
                folder.resolve("x.st").toString()))
        .isZero();
    assertThat(folder.resolve("x.st")).exists();
  }

  @Test
  void whatIsDoubtfulIsToldAndMakesAStatus() throws IOException {
    Path file = folder.resolve("feed.txt");
    Files.writeString(file, "# without a limit\njog until home\ntool off\n1200 mm\nrepeat");
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--from", file.toString()))
        .isEqualTo(1);
    assertThat(out.toString())
        .contains("step 1, axis runs without a limit")
        .contains("step 3, moves without looking")
        .contains("begins again for ever");
  }

  @Test
  void aStepThatIsTooSlowIsNoEnd() {
    assertThat(
            run(
                "sequence",
                "demo",
                "--axis",
                "bale-tie",
                "--steps",
                "tie on until 'tie is closed' within 0.3 s; wait 1 s"))
        .isEqualTo(1);
    assertThat(out.toString()).contains("step 1 takes longer").doesNotContain("once through");
  }

  @Test
  void whatCannotBeReadIsNamed() {
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--steps", "dance")).isEqualTo(2);
    assertThat(err.toString()).contains("step 1, 'dance'").contains("wait TIME");
    assertThat(run("sequence", "demo", "--axis", "rinse-drum", "--steps", FEED)).isEqualTo(2);
    assertThat(err.toString()).contains("is not told positions");
    assertThat(run("sequence", "demo", "--axis", "infeed-belt")).isEqualTo(2);
    assertThat(err.toString()).contains("has no sequence").contains("--steps or by --from");
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--run", "Dance")).isEqualTo(2);
    assertThat(err.toString()).contains("there are: Feed and tie");
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--events", "1 wobble")).isEqualTo(2);
    assertThat(err.toString()).contains("cannot read '1 wobble'").contains("permit off");
    assertThat(
            run("sequence", "demo", "--axis", "bale-tie", "--steps", FEED, "--events", "1 start"))
        .isEqualTo(2);
    assertThat(run("sequence", "demo", "--axis", "bale-tie", "--from", "nowhere.txt")).isEqualTo(2);
    assertThat(err.toString()).contains("nowhere.txt");
  }
}
