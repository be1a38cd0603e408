package unimotus.workbench.wiring;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.EveryFaultTest;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.Ngspice;
import unimotus.workbench.Demo;

/** The circuit of the whole demo line. */
class DemoCircuitTest {
  @TempDir Path folder;

  /** Against the independent simulator, node by node. */
  @Test
  void theWholeDemoLineAgrees() throws Exception {
    assumeTrue(Ngspice.isInstalled(), "ngspice is not installed");
    LineSolver solver = new LineSolver(Installation.of(Demo.project(), Lines.SHEETS));
    CommandState state =
        CommandState.REST
            .with(Lines.ref("controller-1:DO0"), true)
            .with(Lines.ref("controller-1:RO0"), true)
            .withSignal(Lines.ref("controller-1:AO0"), 12);
    Ngspice.agrees(solver.solve(state).circuit(), "demo line", folder);
  }

  @Test
  void theDemoLineSurvivesEveryFaultWithEveryOutputOn() {
    CommandState state = CommandState.REST;
    for (String output : List.of("DO0", "DO1", "DO2", "DO3", "DO4", "RO0")) {
      state = state.with(Lines.ref("controller-1:" + output), true);
    }
    EveryFaultTest.solvesEveryFault(Lines.SHEETS, Demo.project(), CommandState.REST);
    EveryFaultTest.solvesEveryFault(Lines.SHEETS, Demo.project(), state);
  }
}
