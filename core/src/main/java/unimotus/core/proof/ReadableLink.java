package unimotus.core.proof;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.path.Chain;
import unimotus.core.path.ReferenceLink;
import unimotus.core.path.SignalPath;

/** A link on which something can be read between the program and the drive's display. */
public interface ReadableLink extends ReferenceLink {

  /** The word for what is read on it, as in "Signal and display with the motor isolated". */
  String readWord();

  /**
   * What can be read on the way of an axis.
   *
   * @param asWired whether the wires count as they are, or the path alone
   */
  LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired);

  /** What of the design decides the drive's frequency on this way. */
  default Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES, Part.DRIVE);
  }

  /**
   * What else is to be seen of a way that stands beside another, such as what each position of a
   * selector does; possibly empty.
   */
  default List<Prediction> observations(AxisAssembly axis, Chain chain) {
    return List.of();
  }

  /**
   * What the link itself shows while it works, apart from numbers; their keys begin with {@link
   * Predictor#LINK_STATE}. Possibly empty.
   */
  default List<Prediction> states(AxisAssembly axis) {
    return List.of();
  }

  /** What it shows in motion beside its set points; keys as of {@link #states}. Possibly empty. */
  default List<Prediction> inMotion(AxisAssembly axis) {
    return List.of();
  }

  /** How closely what commands it can be set, as a share of the span; 0 for a program. */
  default double settingShare() {
    return 0;
  }

  /** Why nothing can be read on the way yet; empty where all that it needs is chosen. */
  default Optional<String> unsent(Reference reference) {
    return Optional.empty();
  }

  /** Why nothing reaches the drive yet; empty where all that it needs is chosen. */
  default Optional<String> unreceived(Reference reference) {
    return Optional.empty();
  }

  /** Whether nothing can be read on the way while this finding, an error, stands. */
  default boolean isSilencedBy(Finding error) {
    return false;
  }

  /** What is commanded to prove it on a path, in order; usually a few shares of the span. */
  default List<SetPoint> setPoints(SignalPath path) {
    return Predictor.REFERENCES.stream().map(p -> SetPoint.ofPercent(path, p, readWord())).toList();
  }

  /** The link of a path; every way of command has one of these. */
  static ReadableLink of(SignalPath path) {
    return (ReadableLink) path.link();
  }

  /** What can be read on the way of one axis, at any number of its program. */
  interface LinkReadings {

    /** What is read at a number, in the order of the signal; possibly empty. */
    List<LinkReading> at(double number);

    /** The number whose command the drive really receives. */
    default double received(double number) {
      return number;
    }

    /** Whether the drive shows a fault since the command never arrives. */
    default boolean trips() {
      return false;
    }
  }
}
