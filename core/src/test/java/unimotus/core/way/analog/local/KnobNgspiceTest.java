package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.wiring.Ngspice;

/** The loaded divider against an independent simulator, each way its ends can be joined. */
class KnobNgspiceTest {
  private static final Pattern NODE = Pattern.compile("(?m)^\\s*v\\(w(\\d+)\\)\\s*=\\s*(\\S+)");

  @TempDir Path folder;

  private record Case(Knob knob, double percent) {}

  private static List<Case> cases() {
    Random random = new Random(7);
    List<Case> cases = new ArrayList<>();
    for (Knob.Ends ends : Knob.Ends.values()) {
      for (int i = 0; i < 25; i++) {
        double track = Math.pow(10, 2.5 + 2 * random.nextDouble());
        double input = Math.pow(10, 2 + 4 * random.nextDouble());
        cases.add(
            new Case(
                new Knob(5 + 20 * random.nextDouble(), track, input, ends),
                1 + 98 * random.nextDouble()));
      }
    }
    return cases;
  }

  /** Upper and lower part of the track, and the input, as a netlist. */
  private static String netlist(List<Case> cases) {
    StringBuilder text = new StringBuilder("dividers\n");
    for (int n = 0; n < cases.size(); n++) {
      Knob knob = cases.get(n).knob();
      double lower = knob.trackOhms() * cases.get(n).percent() / 100;
      double upper = knob.trackOhms() - lower;
      String top = knob.ends() == Knob.Ends.EXCHANGED ? "0" : "t" + n;
      String bottom = knob.ends() == Knob.Ends.EXCHANGED ? "t" + n : "0";
      text.append(line("V%d t%d 0 %s", n, n, knob.volts()));
      if (knob.ends() != Knob.Ends.DEAD) {
        text.append(line("RU%d %s w%d %s", n, top, n, upper));
      }
      if (knob.ends() != Knob.Ends.LOWER_OPEN) {
        text.append(line("RL%d w%d %s %s", n, n, bottom, lower));
      }
      text.append(line("RI%d w%d 0 %s", n, n, knob.inputOhms()));
    }
    text.append(".control\nset numdgt=9\nop\n");
    for (int n = 0; n < cases.size(); n++) {
      text.append("print v(w").append(n).append(")\n");
    }
    return text.append(".endc\n.end\n").toString();
  }

  private static String line(String pattern, Object... values) {
    return String.format(Locale.ROOT, pattern + "%n", values);
  }

  @Test
  void theLoadedDividerIsTheSimulators() throws Exception {
    assumeTrue(Ngspice.isInstalled(), "ngspice is not installed");
    List<Case> cases = cases();
    Path file = folder.resolve("dividers.cir");
    Files.writeString(file, netlist(cases));
    Process process =
        new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    Matcher node = NODE.matcher(said);
    int compared = 0;
    while (node.find()) {
      Case made = cases.get(Integer.parseInt(node.group(1)));
      double volts = Double.parseDouble(node.group(2));
      assertThat(made.knob().forward(made.percent()))
          .as("%s at %s %%", made.knob(), made.percent())
          .isCloseTo(volts, within(1e-6 * made.knob().volts()));
      compared++;
    }
    assertThat(compared).as(said).isEqualTo(cases.size());
  }

  @Test
  void thePositionIsFoundBackFromTheVolts() {
    for (Case made : cases()) {
      Knob.Ends ends = made.knob().ends();
      if (ends == Knob.Ends.RIGHT || ends == Knob.Ends.EXCHANGED) {
        assertThat(made.knob().inverse(made.knob().forward(made.percent())))
            .as("%s", made)
            .isCloseTo(made.percent(), within(1e-6));
      }
    }
  }
}
