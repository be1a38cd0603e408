package unimotus.core.way;

import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import unimotus.core.machine.AxisAssembly;

/** The ways of command there are. */
final class Ways {
  private static final List<WayOfCommand> ALL =
      ServiceLoader.load(WayOfCommand.class, WayOfCommand.class.getClassLoader()).stream()
          .map(ServiceLoader.Provider::get)
          .toList();

  private Ways() {}

  /** The way an axis is commanded; the usual one where none is chosen yet. */
  static WayOfCommand of(AxisAssembly axis) {
    return claiming(axis).stream()
        .findFirst()
        .orElseGet(() -> ALL.stream().filter(WayOfCommand::isUsual).findFirst().orElseThrow());
  }

  /** Why it cannot be told which way an axis is commanded; empty where it can. */
  static Optional<String> conflict(AxisAssembly axis) {
    List<String> names = claiming(axis).stream().map(WayOfCommand::name).toList();
    return names.size() > 1
        ? Optional.of("it is commanded in more than one way: " + String.join(", ", names))
        : Optional.empty();
  }

  private static List<WayOfCommand> claiming(AxisAssembly axis) {
    return ALL.stream().filter(w -> w.isChosen(axis)).toList();
  }
}
