package unimotus.core.path;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;

/**
 * How the reference comes from what commands to what the drive makes of it. Each way of command has
 * its own, in a package of its own; nobody else asks which it is.
 */
public interface ReferenceLink {

  /** What it commands. */
  Commanded commands();

  /**
   * Its stages, one at least. The first takes the program's percent, or the number itself where
   * nothing normalises it. The last brings the frequency where a speed is commanded, the shaft or
   * the machine where the drive closes the loop over them.
   */
  List<Stage> stages();

  /** This link with all that it has for a commanded speed; empty where it commands none. */
  default Optional<SpeedLink> speed() {
    return Optional.empty();
  }

  /** This link with a drive that does nothing, whatever comes. */
  ReferenceLink still();

  /** What it is called beside the line, such as {@code 4-20 mA}; empty while nothing is chosen. */
  String label();

  /** What the value at one of its stations is called on the way. */
  default String label(Station station) {
    return station.label();
  }

  /** Where the value at one of its stations lives, in a few words. */
  default String where(Station station) {
    return station.where();
  }

  /** What holds the number that is commanded, as in {@code program: 0 to 25 m/min}. */
  default String commander() {
    return "program";
  }

  /** Whether a program commands it; what can be wrong in one is suspected only then. */
  default boolean isProgrammed() {
    return true;
  }

  /** What carries the value that stands at a station to the next one. */
  Carrier carrier(Station from);

  /** Whether the drive shows in words what it may and does; a step driver shows nothing. */
  default boolean showsStatus() {
    return true;
  }

  /** Least percent that can be sent; negative where it takes both signs. */
  default double leastPercent() {
    return 0;
  }

  /** Whether what goes into {@code stage} is taken for a lost signal on which the drive stops. */
  default boolean isLost(Stage stage, double in) {
    return false;
  }

  /**
   * Whether it carries a number in proportion; one that chooses among a few speeds does not, and
   * nothing on it is off by a factor.
   */
  default boolean isProportional() {
    return true;
  }

  /** Whether it is in force in a state of the inputs; one beside another is in some only. */
  default boolean holds(SeenInputs seen) {
    return true;
  }

  /** Whether a manual request brings it in force, which blocks every other. */
  default boolean isOfManualRequest() {
    return false;
  }

  /**
   * What the analog outputs, in their own unit, and the wipers, in percent, stand at while a number
   * is commanded; possibly empty.
   */
  default Map<TerminalRef, Double> signals(AxisAssembly axis, SignalPath path, double number) {
    return Map.of();
  }

  /**
   * The number at {@link Station#COUNTS} that stands for a reference read back over the bus; empty
   * where the reference does not go over it.
   *
   * @param meant the reference in the unit of its register
   */
  default OptionalDouble readBack(double meant) {
    return OptionalDouble.empty();
  }
}
