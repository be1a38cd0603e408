package unimotus.core.profile;

import java.util.ArrayList;
import java.util.List;

/** The profiles that ship with the program. */
public final class DriveProfiles {
  private static final int COARSE = 0x4F;
  private static final int FINE = 0x6F;

  /** The published drive profile (IEC 61800-7-201, CiA 402; from memory). */
  public static final WordProfile CIA_402 =
      new WordProfile(
          "drive profile CiA 402",
          "IEC 61800-7-201 (from memory)",
          List.of(
              new WordState("not ready to switch on", COARSE, 0x00, WordState.Kind.BLOCKED),
              new WordState("switch on disabled", COARSE, 0x40, WordState.Kind.BLOCKED),
              new WordState("ready to switch on", FINE, 0x21, WordState.Kind.READY),
              new WordState("switched on", FINE, 0x23, WordState.Kind.READY),
              new WordState("operation enabled", FINE, 0x27, WordState.Kind.RUNNING),
              new WordState("quick stop active", FINE, 0x07, WordState.Kind.STOPPING),
              new WordState("fault reaction active", COARSE, 0x0F, WordState.Kind.FAULT),
              new WordState("fault", COARSE, 0x08, WordState.Kind.FAULT)),
          List.of(
              new WordCommand("shutdown", 0x87, 0x06, false),
              new WordCommand("switch on", 0x8F, 0x07, false),
              new WordCommand("enable operation", 0x8F, 0x0F, false),
              new WordCommand("disable operation", 0x8F, 0x07, false),
              new WordCommand("disable voltage", 0x82, 0x00, false),
              new WordCommand("quick stop", 0x86, 0x02, false),
              new WordCommand("fault reset", 0x80, 0x80, true)),
          List.of(
              new WordTransition(1, "not ready to switch on", null, "switch on disabled"),
              new WordTransition(2, "switch on disabled", "shutdown", "ready to switch on"),
              new WordTransition(3, "ready to switch on", "switch on", "switched on"),
              new WordTransition(3, "ready to switch on", "enable operation", "switched on"),
              new WordTransition(4, "switched on", "enable operation", "operation enabled"),
              new WordTransition(5, "operation enabled", "disable operation", "switched on"),
              new WordTransition(6, "switched on", "shutdown", "ready to switch on"),
              new WordTransition(7, "ready to switch on", "disable voltage", "switch on disabled"),
              new WordTransition(7, "ready to switch on", "quick stop", "switch on disabled"),
              new WordTransition(8, "operation enabled", "shutdown", "ready to switch on"),
              new WordTransition(9, "operation enabled", "disable voltage", "switch on disabled"),
              new WordTransition(10, "switched on", "disable voltage", "switch on disabled"),
              new WordTransition(10, "switched on", "quick stop", "switch on disabled"),
              new WordTransition(11, "operation enabled", "quick stop", "quick stop active"),
              new WordTransition(12, "quick stop active", "disable voltage", "switch on disabled"),
              new WordTransition(14, "fault reaction active", null, "fault"),
              new WordTransition(15, "fault", "fault reset", "switch on disabled"),
              new WordTransition(16, "quick stop active", "enable operation", "operation enabled")),
          OperatingMode.NONE.controlBits(),
          OperatingMode.NONE.statusBits(),
          Direction.BY_SIGN,
          0,
          OperatingMode.NONE);

  /** The same in velocity mode: bits 4 to 6 let the ramp run and take the reference. */
  public static final WordProfile CIA_402_VELOCITY = CIA_402.in(OperatingMode.VELOCITY, 0x70);

  /** The same in profile velocity mode. */
  public static final WordProfile CIA_402_PROFILE_VELOCITY =
      CIA_402.in(OperatingMode.PROFILE_VELOCITY, 0);

  /** A plain word as many register drives have it: run, direction, reset on an edge. */
  public static final WordProfile RUN_AND_STOP =
      new WordProfile(
          "run and stop word",
          "common practice",
          List.of(
              new WordState("fault", 0x08, 0x08, WordState.Kind.FAULT),
              new WordState("running", 0x0B, 0x03, WordState.Kind.RUNNING),
              new WordState("ready", 0x0B, 0x01, WordState.Kind.READY),
              new WordState("not permitted", 0x09, 0x00, WordState.Kind.BLOCKED)),
          List.of(
              new WordCommand("run", 0x01, 0x01, false),
              new WordCommand("stop", 0x01, 0x00, false),
              new WordCommand("reset", 0x09, 0x08, true)),
          List.of(
              new WordTransition(0, "ready", "run", "running"),
              new WordTransition(0, "running", "stop", "ready"),
              new WordTransition(0, "fault", "reset", "ready"),
              new WordTransition(0, "not permitted", null, "ready")),
          List.of(
              new WordBit(0, "run"),
              new WordBit(1, "reverse"),
              new WordBit(3, "reset"),
              new WordBit(4, "commanded from here")),
          List.of(
              new WordBit(0, "ready"),
              new WordBit(1, "running"),
              new WordBit(2, "in reverse"),
              new WordBit(3, "fault"),
              new WordBit(4, "at reference"),
              new WordBit(5, "commanded over the fieldbus")),
          Direction.turnedBy(0x02),
          0x10,
          OperatingMode.NONE);

  private DriveProfiles() {}

  /** The published drive profile in a mode. */
  public static WordProfile cia402(OperatingMode mode) {
    return switch (mode) {
      case NONE -> CIA_402;
      case VELOCITY -> CIA_402_VELOCITY;
      case PROFILE_VELOCITY -> CIA_402_PROFILE_VELOCITY;
      default -> CIA_402.in(mode, 0);
    };
  }

  /** All profiles that ship, in every mode. */
  public static List<WordProfile> all() {
    List<WordProfile> all = new ArrayList<>();
    for (OperatingMode mode : OperatingMode.values()) {
      all.add(cia402(mode));
    }
    all.add(RUN_AND_STOP);
    return all;
  }

  /** Those beside which a reference is a speed, as a drive on a register fieldbus takes it. */
  public static List<WordProfile> ofSpeed() {
    return all().stream().filter(WordProfile::commandsSpeed).toList();
  }
}
