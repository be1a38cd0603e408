package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.esi.Direction;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.StartUpCommand;

/**
 * What a drive of the profile (IEC 61800-7-201, from memory) usually needs at start-up and nobody
 * writes yet: the operating mode, the interpolation time, limits and units.
 */
public final class StartUpOffers {
  private static final int MODE = 0x6060;

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

  private StartUpOffers() {}

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
   * @param cycleNs the bus cycle in ns
   */
  public static List<Offer> of(
      StationSetup station, List<StartUpCommand> commands, int mode, long cycleNs) {
    List<Offer> offers = new ArrayList<>();
    ObjectDictionary known = StartUpCheck.dictionary(station);
    for (int axis = 0; axis < MOST_AXES; axis++) {
      ofAxis(axis * AXIS_STEP, station, commands, known, mode, cycleNs, offers);
    }
    return offers;
  }

  private static void ofAxis(
      int moved,
      StationSetup station,
      List<StartUpCommand> commands,
      ObjectDictionary known,
      int mode,
      long cycleNs,
      List<Offer> offers) {
    if (isMissing(station, commands, known, MODE + moved, 0)) {
      offers.add(known(MODE + moved, 0, mode, "operating mode %d".formatted(mode)));
    }
    if (isMissing(station, commands, known, INTERPOLATION + moved, INTERPOLATION_MANTISSA)) {
      interpolation(moved, cycleNs, offers);
    }
    for (Asked asked : ASKED) {
      int index = asked.index() + moved;
      if (isMissing(station, commands, known, index, asked.subindex())) {
        StartUpCommand command =
            StartUpCommand.number(
                "PS",
                index,
                asked.subindex(),
                0,
                bytes(known, index, asked.subindex()),
                asked.what());
        offers.add(new Offer(command.object(), asked.what(), command, false));
      }
    }
  }

  private static int bytes(ObjectDictionary known, int index, int subindex) {
    return known
        .object(index)
        .flatMap(o -> o.part(subindex))
        .map(p -> (p.bitLength() + Byte.SIZE - 1) / Byte.SIZE)
        .filter(b -> b > 0)
        .orElse(Integer.BYTES);
  }

  /** The cycle as mantissa times ten to the exponent, in seconds, the largest step that fits. */
  private static void interpolation(int moved, long cycleNs, List<Offer> offers) {
    long mantissa = cycleNs;
    int exponent = NANOSECOND_EXPONENT;
    while (mantissa % 10 == 0 && mantissa > 0) {
      mantissa /= 10;
      exponent++;
    }
    if (mantissa < 1 || mantissa > MOST_MANTISSA) {
      return;
    }
    String what = "interpolation time %d·10^%d s, the bus cycle".formatted(mantissa, exponent);
    offers.add(known(INTERPOLATION + moved, INTERPOLATION_MANTISSA, mantissa, what));
    offers.add(known(INTERPOLATION + moved, INTERPOLATION_EXPONENT, exponent, what));
  }

  private static Offer known(int index, int subindex, long value, String what) {
    StartUpCommand command = StartUpCommand.number("PS", index, subindex, value, 1, what);
    return new Offer(command.object(), what, command, true);
  }

  /** An object the device has, that is neither written at start-up nor sent in every cycle. */
  private static boolean isMissing(
      StationSetup station,
      List<StartUpCommand> commands,
      ObjectDictionary known,
      int index,
      int subindex) {
    boolean isThere = known.object(index).flatMap(o -> o.part(subindex)).isPresent();
    boolean isWritten =
        commands.stream().anyMatch(c -> c.index() == index && c.subindex() == subindex);
    boolean isSent =
        station.assigned(Direction.OUTPUTS).stream()
            .flatMap(p -> p.entries().stream())
            .anyMatch(e -> e.index() == index && e.subindex() == subindex);
    return isThere && !isWritten && !isSent;
  }
}
