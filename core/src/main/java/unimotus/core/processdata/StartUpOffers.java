package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;
import unimotus.core.esi.Direction;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.profile.OperatingMode;

/**
 * What a drive of the profile (IEC 61800-7-201, from memory) usually needs at start-up and nobody
 * writes yet: the operating mode, the interpolation time, limits and units.
 */
public final class StartUpOffers {
  private static final int VELOCITY_TARGET = 0x6042;
  private static final int MODE = 0x6060;
  private static final int TARGET_POSITION = 0x607A;
  private static final int TARGET_VELOCITY = 0x60FF;

  /** The objects of a further axis of one device stand this much higher. */
  private static final int AXIS_STEP = 0x800;

  private static final int MOST_AXES = 8;
  private static final int INTERPOLATION = 0x60C2;
  private static final int INTERPOLATION_MANTISSA = 1;
  private static final int INTERPOLATION_EXPONENT = 2;
  private static final int MOST_MANTISSA = 255;
  private static final int NANOSECOND_EXPONENT = -9;

  /** Objects that have to be looked at by somebody who knows the machine. */
  private static final List<Asked> ASKED =
      List.of(
          new Asked(0x607D, 1, "least position allowed"),
          new Asked(0x607D, 2, "greatest position allowed"),
          new Asked(0x607F, 0, "greatest speed of a profile"),
          new Asked(0x6072, 0, "greatest torque"),
          new Asked(0x6091, 1, "gear ratio, motor revolutions"),
          new Asked(0x6091, 2, "gear ratio, shaft revolutions"),
          new Asked(0x6092, 1, "feed"),
          new Asked(0x6092, 2, "feed, shaft revolutions"));

  private record Asked(int index, int subindex, String what) {}

  private final StationSetup station;
  private final List<StartUpCommand> commands;
  private final ObjectDictionary known;
  private final long cycleNs;
  private final List<Offer> offers = new ArrayList<>();

  private StartUpOffers(StationSetup station, List<StartUpCommand> commands, long cycleNs) {
    this.station = station;
    this.commands = commands;
    this.known = StartUpCheck.dictionary(station);
    this.cycleNs = cycleNs;
  }

  /**
   * An offer.
   *
   * @param object the object, as it is written in manuals
   * @param what what it is for
   * @param command the command that is offered; its value is 0 where only a person can know it
   * @param isKnown whether the value is known
   */
  public record Offer(String object, String what, StartUpCommand command, boolean isKnown) {}

  /**
   * What is missing.
   *
   * @param mode the operating mode wanted, as the profile numbers it
   * @param cycleNs the bus cycle in ns; 0 where it is not known
   */
  public static List<Offer> of(
      StationSetup station, List<StartUpCommand> commands, int mode, long cycleNs) {
    return new StartUpOffers(station, commands, cycleNs).offers(moved -> mode);
  }

  /**
   * What is missing at a station of a project; the mode of each axis is the one whose target stands
   * in its outputs. None where the station is not described.
   *
   * @param cycleNs the bus cycle in ns; 0 where it is not known
   */
  public static List<Offer> of(StationDesign design, long cycleNs) {
    return design
        .known()
        .map(setup -> new StartUpOffers(setup, design.startUp(), cycleNs))
        .map(o -> o.offers(o::modeOfTarget))
        .orElse(List.of());
  }

  private List<Offer> offers(IntUnaryOperator modes) {
    for (int axis = 0; axis < MOST_AXES; axis++) {
      ofAxis(axis * AXIS_STEP, modes.applyAsInt(axis * AXIS_STEP));
    }
    return List.copyOf(offers);
  }

  /** The mode that takes the target an axis is sent; 0 where it is sent none. */
  private int modeOfTarget(int moved) {
    if (isSent(TARGET_POSITION + moved, 0)) {
      return OperatingMode.CYCLIC_POSITION.number();
    }
    if (isSent(TARGET_VELOCITY + moved, 0)) {
      boolean isCyclic = known.object(INTERPOLATION + moved).isPresent();
      return (isCyclic ? OperatingMode.CYCLIC_VELOCITY : OperatingMode.PROFILE_VELOCITY).number();
    }
    return isSent(VELOCITY_TARGET + moved, 0) ? OperatingMode.VELOCITY.number() : 0;
  }

  private void ofAxis(int moved, int mode) {
    if (mode != 0 && isMissing(MODE + moved, 0)) {
      offers.add(known(MODE + moved, 0, mode, "operating mode %d".formatted(mode)));
    }
    if (isMissing(INTERPOLATION + moved, INTERPOLATION_MANTISSA)) {
      interpolation(moved);
    }
    for (Asked asked : ASKED) {
      int index = asked.index() + moved;
      if (isMissing(index, asked.subindex())) {
        offers.add(asked(index, asked.subindex(), asked.what()));
      }
    }
  }

  /** An offer whose value only a person can know. */
  private Offer asked(int index, int subindex, String what) {
    StartUpCommand command =
        StartUpCommand.number("PS", index, subindex, 0, bytes(index, subindex), what);
    return new Offer(command.object(), what, command, false);
  }

  private int bytes(int index, int subindex) {
    return known
        .object(index)
        .flatMap(o -> o.part(subindex))
        .map(p -> (p.bitLength() + Byte.SIZE - 1) / Byte.SIZE)
        .filter(b -> b > 0)
        .orElse(Integer.BYTES);
  }

  /** The cycle as mantissa times ten to the exponent, in seconds, the largest step that fits. */
  private void interpolation(int moved) {
    long mantissa = cycleNs;
    int exponent = NANOSECOND_EXPONENT;
    while (mantissa % 10 == 0 && mantissa > 0) {
      mantissa /= 10;
      exponent++;
    }
    int index = INTERPOLATION + moved;
    if (mantissa < 1 || mantissa > MOST_MANTISSA) {
      String why =
          cycleNs == 0
              ? "the bus cycle is not known"
              : "a cycle of %d ns is no number up to 255 times a power of ten".formatted(cycleNs);
      offers.add(asked(index, INTERPOLATION_MANTISSA, "interpolation time: " + why));
      offers.add(asked(index, INTERPOLATION_EXPONENT, "exponent of the interpolation time"));
      return;
    }
    String what = "interpolation time %d·10^%d s, the bus cycle".formatted(mantissa, exponent);
    offers.add(known(index, INTERPOLATION_MANTISSA, mantissa, what));
    offers.add(known(index, INTERPOLATION_EXPONENT, exponent, what));
  }

  private static Offer known(int index, int subindex, long value, String what) {
    StartUpCommand command = StartUpCommand.number("PS", index, subindex, value, 1, what);
    return new Offer(command.object(), what, command, true);
  }

  /** An object the device has, that is neither written at start-up nor sent in every cycle. */
  private boolean isMissing(int index, int subindex) {
    boolean isThere = known.object(index).flatMap(o -> o.part(subindex)).isPresent();
    boolean isWritten =
        commands.stream().anyMatch(c -> c.index() == index && c.subindex() == subindex);
    return isThere && !isWritten && !isSent(index, subindex);
  }

  private boolean isSent(int index, int subindex) {
    return station.assigned(Direction.OUTPUTS).stream()
        .flatMap(p -> p.entries().stream())
        .anyMatch(e -> e.index() == index && e.subindex() == subindex);
  }
}
