package unimotus.core.way;

import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.stream.Stream;
import unimotus.core.machine.AxisAssembly;

/** The ways of command there are. */
final class Ways {
  private static final List<WayOfCommand> ALL =
      ServiceLoader.load(WayOfCommand.class, WayOfCommand.class.getClassLoader()).stream()
          .map(ServiceLoader.Provider::get)
          .toList();

  private Ways() {}

  static List<WayOfCommand> all() {
    return ALL;
  }

  /** The way an axis is commanded; the usual one where none is chosen yet. */
  static WayOfCommand of(AxisAssembly axis) {
    List<WayOfCommand> alone =
        claiming(axis, true).stream().filter(w -> !w.isOnlyBeside()).toList();
    return Stream.of(claiming(axis, false), alone, usual())
        .flatMap(List::stream)
        .findFirst()
        .orElseThrow();
  }

  /** The ways that hold beside that one, in other states of the inputs; possibly empty. */
  static List<WayOfCommand> beside(AxisAssembly axis) {
    WayOfCommand main = of(axis);
    return claiming(axis, true).stream().filter(w -> !w.equals(main)).toList();
  }

  /** Why it cannot be told which way an axis is commanded; empty where it can. */
  static Optional<String> conflict(AxisAssembly axis) {
    List<String> names = claiming(axis, false).stream().map(WayOfCommand::name).toList();
    return names.size() > 1
        ? Optional.of("it is commanded in more than one way: " + String.join(", ", names))
        : Optional.empty();
  }

  private static List<WayOfCommand> claiming(AxisAssembly axis, boolean beside) {
    return ALL.stream().filter(w -> w.isBeside() == beside && w.isChosen(axis)).toList();
  }

  /** Those that stand in until something is chosen. */
  static List<WayOfCommand> usual() {
    return ALL.stream().filter(WayOfCommand::isUsual).toList();
  }
}
