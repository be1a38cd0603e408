package unimotus.core.stops.adversary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.Campaign;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.DcSolver;
import unimotus.core.circuit.OperatingPoint;
import unimotus.core.machine.Project;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.Ngspice;

/** Generated stop circuits, at rest and demanded, node by node against an independent simulator. */
class StopNgspiceTest {
  private static final int CIRCUITS = Campaign.size(400, 60);

  @TempDir Path folder;

  @Test
  void everyNodeAgrees() throws Exception {
    assumeTrue(Ngspice.isInstalled(), "ngspice is not installed");
    List<String> wrong = new ArrayList<>();
    int nodes = 0;
    for (int n = 0; n < CIRCUITS; n++) {
      Panel panel = PanelMaker.panel(new Random(n * 389L + 3), n % 3);
      Circuit circuit = circuit(panel, n % 2 == 0);
      if (DcSolver.solve(circuit) instanceof OperatingPoint own) {
        nodes += compare(circuit, own, wrong, panel);
      }
    }
    System.out.printf(
        "stops against ngspice: %d circuits, %d nodes, %d differ%n", CIRCUITS, nodes, wrong.size());
    assertThat(wrong).isEmpty();
    assertThat(nodes).isGreaterThan(10 * CIRCUITS);
  }

  private static Circuit circuit(Panel panel, boolean demanded) {
    Project project = Panels.project(panel);
    CommandState state = CommandState.REST;
    if (demanded) {
      String trigger = panel.triggers.get(0);
      String sheet = panel.sheets.get(trigger);
      state = state.withPosition(trigger, sheet.equals("guard-switch") ? "open" : "pressed");
    }
    LineSolver solver = new LineSolver(Installation.of(Panels.axis(project)));
    return solver.solve(state).circuit();
  }

  private int compare(Circuit circuit, OperatingPoint own, List<String> wrong, Panel panel)
      throws Exception {
    Map<Integer, Double> other = Ngspice.volts(circuit, own, folder);
    other.forEach(
        (node, volts) -> {
          double mine = own.volts(node);
          if (!(Math.abs(mine - volts) <= Math.max(1e-3, 1e-3 * Math.abs(volts)))) {
            wrong.add(
                "%s: %s, not %s%n%s".formatted(circuit.nodes().get(node), mine, volts, panel));
          }
        });
    return other.size();
  }
}
