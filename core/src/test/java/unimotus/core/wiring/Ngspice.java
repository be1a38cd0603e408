package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import unimotus.core.circuit.Branch;
import unimotus.core.circuit.Characteristic;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.DcSolver;
import unimotus.core.circuit.Law;
import unimotus.core.circuit.OperatingPoint;

/** Runs a circuit through an independent simulator, ngspice in batch mode. */
public final class Ngspice {
  private static final Pattern NODE = Pattern.compile("(?m)^\\s*v\\(n(\\d+)\\)\\s*=\\s*(\\S+)");
  private static final double FAR_VOLTS = 1000;

  private Ngspice() {}

  public static boolean isInstalled() {
    try {
      Process process =
          new ProcessBuilder("ngspice", "--version").redirectErrorStream(true).start();
      process.getInputStream().readAllBytes();
      return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0;
    } catch (IOException missing) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /**
   * Node voltages by node number.
   *
   * @param own the solution under test: tells where the islands lie, so that each can be tied to
   *     the simulator's one ground, and where the simulator's iteration begins. A network whose
   *     currents rise with voltages has one solution only, so a wrong beginning cannot end there.
   */
  public static Map<Integer, Double> volts(Circuit circuit, OperatingPoint own, Path folder)
      throws IOException, InterruptedException {
    Path netlist = folder.resolve("net.cir");
    Files.writeString(netlist, netlist(circuit, own));
    Process process =
        new ProcessBuilder("ngspice", "-b", netlist.toString())
            .redirectErrorStream(true)
            .directory(folder.toFile())
            .start();
    String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (!process.waitFor(30, TimeUnit.SECONDS)) {
      throw new IOException("ngspice did not end:\n" + output);
    }
    Map<Integer, Double> volts = new HashMap<>();
    Matcher found = NODE.matcher(output);
    while (found.find()) {
      volts.put(Integer.parseInt(found.group(1)), Double.parseDouble(found.group(2)));
    }
    if (volts.isEmpty()) {
      throw new IOException("ngspice found no operating point:\n" + output);
    }
    return volts;
  }

  private static String netlist(Circuit circuit, OperatingPoint own) {
    StringBuilder text = new StringBuilder("check of a wiring\n");
    text.append(".options gmin=1e-15 reltol=1e-5 abstol=1e-10 vntol=1e-6 itl1=5000\n");
    for (int i = 0; i < circuit.branches().size(); i++) {
      Branch branch = circuit.branches().get(i);
      if (branch.conducts()) {
        text.append(line(i, branch)).append('\n');
      }
    }
    StringBuilder prints = new StringBuilder();
    boolean[] tied = new boolean[circuit.nodes().size()];
    for (int n = 0; n < tied.length; n++) {
      prints.append("print v(n").append(n).append(")\n");
      text.append(".nodeset v(n%d)=%s\n".formatted(n, own.volts(n)));
      if (own.volts(n) == 0 && isFirstOfIsland(own, n, tied)) {
        tied[n] = true;
        text.append("Rtie%d n%d 0 1\n".formatted(n, n));
      }
    }
    return text.append(".control\nset numdgt=12\nop\n")
        .append(prints)
        .append("quit\n.endc\n.end\n")
        .toString();
  }

  private static boolean isFirstOfIsland(OperatingPoint own, int node, boolean[] tied) {
    for (int other = 0; other < node; other++) {
      if (tied[other] && own.joined(other, node)) {
        return false;
      }
    }
    return true;
  }

  private static String line(int index, Branch branch) {
    String ends = "n%d n%d".formatted(branch.from(), branch.to());
    if (branch.law() instanceof Law.FixedVoltage fixed) {
      return "V%d %s dc %s".formatted(index, ends, fixed.volts());
    }
    Characteristic law = (Characteristic) branch.law();
    if (law.knotVolts().length == 1 && isStraight(law)) {
      double volts = law.knotVolts()[0];
      double ohms = 1 / (law.amperesAt(volts + 1) - law.amperesAt(volts));
      String resistor = "R%d %s %s".formatted(index, ends, ohms);
      return volts == 0
          ? resistor
          : "%s\nI%d n%d n%d dc %s"
              .formatted(resistor, index, branch.to(), branch.from(), volts / ohms);
    }
    StringBuilder pairs = new StringBuilder();
    append(pairs, law, -FAR_VOLTS);
    for (double v : law.knotVolts()) {
      append(pairs, law, v);
    }
    append(pairs, law, FAR_VOLTS);
    return "B%d %s I=pwl(V(n%d,n%d)%s)".formatted(index, ends, branch.from(), branch.to(), pairs);
  }

  private static boolean isStraight(Characteristic law) {
    double knot = law.knotVolts()[0];
    double up = law.amperesAt(knot + 1) - law.amperesAt(knot);
    double down = law.amperesAt(knot) - law.amperesAt(knot - 1);
    return Math.abs(up - down) <= 1e-9 * Math.abs(up);
  }

  private static void append(StringBuilder pairs, Characteristic law, double volts) {
    pairs.append(", ").append(volts).append(", ").append(law.amperesAt(volts));
  }

  /** Asserts that the own solver agrees node by node, within 1 mV or 0.1 %. */
  public static void agrees(Circuit circuit, String what, Path folder) throws Exception {
    OperatingPoint own = (OperatingPoint) DcSolver.solve(circuit);
    Map<Integer, Double> other = volts(circuit, own, folder);
    assertThat(other).as(what).hasSize(circuit.nodes().size());
    for (Map.Entry<Integer, Double> node : other.entrySet()) {
      double mine = own.volts(node.getKey());
      double tolerance = Math.max(1e-3, 1e-3 * Math.abs(node.getValue()));
      assertThat(mine)
          .as("%s: %s", what, circuit.nodes().get(node.getKey()))
          .isEqualTo(node.getValue(), within(tolerance));
    }
  }
}
