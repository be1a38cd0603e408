package unimotus.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;

/** Whatever single fault is put into a line, the circuit still has an operating point. */
public class EveryFaultTest {

  private static List<WiringFault> everyFault(Project project) {
    List<WiringFault> faults = new ArrayList<>();
    List<Wire> wires = project.wires();
    for (int i = 0; i < wires.size(); i++) {
      Wire wire = wires.get(i);
      faults.add(new WiringFault.OpenWire(wire.id()));
      faults.add(new WiringFault.HighResistance(wire.id(), 10_000));
      faults.add(new WiringFault.ShortToSupply(wire.to()));
      faults.add(new WiringFault.ShortToZero(wire.from()));
      TerminalRef next = wires.get((i + 1) % wires.size()).to();
      faults.add(new WiringFault.CrossShort(wire.to(), next));
      faults.add(new WiringFault.MovedEnd(wire.id(), wire.to(), next));
    }
    return faults;
  }

  /** Asserts it for every open, weak, moved and shorted wire of a line in one state. */
  public static void solvesEveryFault(SheetCatalogue sheets, Project project, CommandState state) {
    LineSolver solver = new LineSolver(Installation.of(project, sheets));
    for (WiringFault fault : everyFault(project)) {
      LineSolution solution = solver.solve(state, List.of(fault));
      assertThat(solution.contradiction()).as(fault.text()).isEmpty();
    }
  }

  @Test
  void relaysAndSelectorsSurviveEveryFault() {
    Project project =
        Lines.with(
            Lines.bare("controller-modular", "safety-drive-7k5"),
            CommonLink.INTERLOCK_CHAIN,
            CommonLink.FAULT_RELAY,
            CommonLink.STATUS,
            Links.POTENTIOMETER);
    solvesEveryFault(Lines.SHEETS, project, CommandState.REST.with(Lines.ref("plc:DO0"), true));
  }
}
