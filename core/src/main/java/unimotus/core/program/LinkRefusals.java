package unimotus.core.program;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.PlacedValues;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** Why a block that would not be true is not written. */
final class LinkRefusals {
  private static final Set<ValueType> WORDS =
      EnumSet.of(ValueType.BITS_16, ValueType.UNSIGNED_16, ValueType.SIGNED_16);
  private static final Set<ValueType> NUMBERS =
      EnumSet.of(
          ValueType.SIGNED_16,
          ValueType.UNSIGNED_16,
          ValueType.SIGNED_32,
          ValueType.UNSIGNED_32,
          ValueType.FLOAT_32);

  private final AxisAssembly axis;
  private final PlacedValues map;
  private final WordProfile profile;
  private final String noun;

  LinkRefusals(AxisAssembly axis, LinkEnd end, WordProfile profile) {
    this.axis = axis;
    this.map = end.values();
    this.noun = end.noun();
    this.profile = profile;
  }

  /** The register of a control or status word: sixteen bits, and a command can be written. */
  PlacedValue word(ValueRole role) {
    PlacedValue entry = needed(role);
    if (!WORDS.contains(entry.type())) {
      throw refused(entry, "holds %s, a word has 16 bits".formatted(entry.type().label()));
    }
    if (role == ValueRole.CONTROL_WORD) {
      writable(entry);
    }
    return entry;
  }

  /** The register of the reference: a writable number in a unit of speed, for both directions. */
  PlacedValue reference() {
    PlacedValue entry = needed(ValueRole.REFERENCE);
    writable(entry);
    measured(entry);
    direction(entry);
    return entry;
  }

  void actual(PlacedValue entry) {
    measured(entry);
  }

  /** A time-out is a number in a unit of time, and the register holds what the bus needs. */
  void timeout(PlacedValue entry, LinkWatch watch) {
    number(entry);
    if (!ValueRole.LINK_TIMEOUT.isCountedIn(entry.unit())) {
      throw refused(
          entry, "is counted in '%s', which tells no time; s and ms do".formatted(entry.unit()));
    }
    double wanted = LinkProgram.timeout(entry, watch);
    if (wanted > entry.maximum() || entry.held(wanted) < wanted) {
      throw refused(
          entry,
          "holds %s %s at most, the bus needs %s"
              .formatted(
                  QuantityFormat.PLAIN.number(entry.maximum()),
                  entry.unit(),
                  QuantityFormat.PLAIN.number(wanted)));
    }
  }

  /** A profile without a state of rest or of motion commands nothing. */
  void states() {
    if (!profile.commandsSpeed()) {
      throw new IllegalArgumentException(
          "the words of %s are of the %s mode, in which the reference is no speed"
              .formatted(axis.axis().name(), profile.mode().label()));
    }
    for (WordState.Kind kind : EnumSet.of(WordState.Kind.READY, WordState.Kind.RUNNING)) {
      if (profile.states().stream().noneMatch(s -> s.kind() == kind)) {
        throw new IllegalArgumentException(
            "the words '%s' of %s tell no state of the kind '%s'"
                .formatted(
                    profile.name(), axis.axis().name(), kind.name().toLowerCase(Locale.ROOT)));
      }
    }
  }

  private PlacedValue needed(ValueRole role) {
    Optional<? extends PlacedValue> entry = map.entry(role);
    if (entry.isEmpty()) {
      throw new IllegalArgumentException(
          "no %s of %s has the role '%s'".formatted(noun, axis.axis().name(), role.label()));
    }
    return entry.get();
  }

  private void writable(PlacedValue entry) {
    if (!entry.access().isWritable()) {
      throw refused(entry, "can only be read, and has to be written");
    }
  }

  private void number(PlacedValue entry) {
    if (!NUMBERS.contains(entry.type())) {
      throw refused(entry, "holds %s, no number".formatted(entry.type().label()));
    }
  }

  private void measured(PlacedValue entry) {
    number(entry);
    if (!SpeedScale.measures(entry.unit())) {
      throw refused(
          entry,
          "is counted in '%s', which tells no speed; Hz, rpm and %% do".formatted(entry.unit()));
    }
  }

  /** Where the sign tells the direction, the register has to hold as much backward as forward. */
  private void direction(PlacedValue entry) {
    if (profile.direction().isInTheWord()) {
      return;
    }
    SpeedScale speeds = SpeedScale.of(axis);
    double forward =
        speeds.hertz(entry.held(Math.min(entry.maximum(), most(entry, speeds))), entry.unit());
    double backward =
        speeds.hertz(entry.held(Math.max(entry.minimum(), -most(entry, speeds))), entry.unit());
    double step = Math.abs(speeds.hertz(entry.scale(), entry.unit()));
    if (-backward < forward - step - 1e-6) {
      throw refused(
          entry,
          "holds %s to %s Hz: the words '%s' tell backward by the sign of the reference, and it cannot be written. Give the %s a sign and a least value of %s %s, or words with a bit for the direction"
              .formatted(
                  QuantityFormat.PLAIN.number(backward),
                  QuantityFormat.PLAIN.number(forward),
                  profile.name(),
                  noun,
                  QuantityFormat.PLAIN.number(-entry.maximum()),
                  entry.unit()));
    }
  }

  /** The most the block ever asks for, in the unit of the register. */
  private static double most(PlacedValue entry, SpeedScale speeds) {
    return speeds.value(speeds.maximumHertz(), entry.unit());
  }

  private IllegalArgumentException refused(PlacedValue entry, String why) {
    return new IllegalArgumentException(
        "%s, %s %s (%s): it %s"
            .formatted(axis.axis().name(), noun, entry.name(), entry.where(), why));
  }
}
