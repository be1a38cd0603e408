package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.Supplier;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** The strips of a dry-run while it is recorded: what is moved, what is switched, what is seen. */
final class StripChart {
  private final AxisAssembly axis;
  private final WiredLine line;
  private final Map<Strip.Recorder, Supplier<String>> seen = new LinkedHashMap<>();
  private boolean permitted;

  StripChart(AxisAssembly axis, WiredLine line) {
    this.axis = axis;
    this.line = line;
    axis.parts().forEach(this::addPositions);
    String controller = axis.controller().id();
    wired(controller, axis.controllerSheet(), TerminalRole::isBinaryOutput)
        .forEach(o -> add(label(o, ""), () -> line.state().isOn(o) ? "on" : "off"));
    line.functions().entrySet().stream()
        .filter(f -> isWired(f.getKey()))
        .forEach(
            f ->
                add(label(f.getKey(), f.getValue().label()), () -> line.level(f.getKey()).label()));
    add("permission", () -> permitted ? "on" : "off");
    wired(controller, axis.controllerSheet(), TerminalRole::isBinaryInput)
        .forEach(i -> add(label(i, ""), () -> line.solution().isOn(i) ? "on" : "off"));
  }

  /** What stands in the panel and is moved by hand. */
  private void addPositions(PlacedPart part) {
    List<String> positions = part.sheet().positions();
    boolean byHand = part.sheet().first(TerminalRole.COIL).isEmpty() && !isRelay(part.sheet());
    if (positions.size() > 1 && byHand) {
      add(
          part.part().name(),
          positions.get(0),
          () -> line.state().position(part.part().id(), positions.get(0)));
    }
  }

  private static boolean isRelay(PartSheet sheet) {
    return sheet.first(TerminalRole.SAFETY_INPUT).isPresent();
  }

  private List<TerminalRef> wired(String device, DeviceSheet sheet, Predicate<TerminalRole> role) {
    return sheet.terminals().stream()
        .filter(t -> role.test(t.role()))
        .map(Terminal::id)
        .map(t -> new TerminalRef(device, t))
        .filter(this::isWired)
        .toList();
  }

  private boolean isWired(TerminalRef ref) {
    return axis.wires().stream().anyMatch(w -> w.touches(ref));
  }

  private String label(TerminalRef ref, String more) {
    String device =
        ref.device().equals(axis.drive().id()) ? axis.drive().name() : axis.controller().name();
    return "%s %s%s".formatted(device, ref.terminal(), more.isEmpty() ? "" : " " + more);
  }

  private void add(String label, Supplier<String> state) {
    add(label, "off", state);
  }

  private void add(String label, String rest, Supplier<String> state) {
    seen.put(new Strip.Recorder(label, rest, state.get()), state);
  }

  void see(double now, boolean isPermitted) {
    permitted = isPermitted;
    seen.forEach((strip, state) -> strip.see(now, state.get()));
  }

  List<Strip> ended(double now) {
    List<Strip> strips = new ArrayList<>();
    seen.keySet().forEach(s -> strips.add(s.ended(now)));
    return strips;
  }
}
