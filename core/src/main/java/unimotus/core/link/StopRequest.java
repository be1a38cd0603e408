package unimotus.core.link;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;

/**
 * A stop that is wanted.
 *
 * @param axis id of the axis it stops
 * @param name what people call it
 * @param trigger what demands it
 * @param logic through what
 * @param effect what takes the motion away
 * @param manualReset whether a button outside the danger has to be pressed before it releases
 * @param crossFaultDetection whether the safety relay tests its channels against each other
 * @param delaySeconds from the demand to safe torque off; only a safe stop 1 looks at it
 * @param rampSeconds from maximum frequency to standstill; only a safe stop 1 looks at it
 * @param relay class of the safety relay; only a logic with a relay looks at it
 * @param behindDrive whether contactors cut the motor from the drive, not the mains from it
 */
@RecordBuilder
public record StopRequest(
    String axis,
    String name,
    StopTrigger trigger,
    StopLogic logic,
    StopEffect effect,
    boolean manualReset,
    boolean crossFaultDetection,
    double delaySeconds,
    double rampSeconds,
    RelayClass relay,
    boolean behindDrive)
    implements StopRequestBuilder.With {

  /** Safety relays as they are sold, by what they need and how they find cross faults. */
  public enum RelayClass {
    TESTING("safety-relay", "tests its channels by pulses"),
    OPPOSITE("safety-relay-polarity", "channels of opposite polarity"),
    PLAIN("safety-relay-plain", "plain contacts, no cross-fault detection"),
    DELAYED("safety-relay-delayed", "delayed contacts, tests by pulses");

    private final String sheet;
    private final String label;

    RelayClass(String sheet, String label) {
      this.sheet = sheet;
      this.label = label;
    }

    /** Id of its sheet. */
    public String sheet() {
      return sheet;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }

    /** The class of a sheet; {@link #TESTING} for a relay of one's own. */
    public static RelayClass ofSheet(String sheet) {
      for (RelayClass known : values()) {
        if (known.sheet.equals(sheet)) {
          return known;
        }
      }
      return TESTING;
    }
  }

  /** A stop with the usual choices: manual reset, cross-fault detection, 2.5 s of ramp in 5 s. */
  public static StopRequest of(
      String axis, String name, StopTrigger trigger, StopLogic logic, StopEffect effect) {
    return new StopRequest(
        axis, name, trigger, logic, effect, true, true, 5, 2.5, RelayClass.TESTING, false);
  }

  /** This stop with another reset and another test of the channels. */
  public StopRequest withRelay(boolean manual, boolean crossFault) {
    return with().manualReset(manual).crossFaultDetection(crossFault).build();
  }

  /** This stop with other times of a safe stop 1. */
  public StopRequest withTimes(double delay, double ramp) {
    return with().delaySeconds(delay).rampSeconds(ramp).build();
  }

  /** This stop with its contactors behind the drive, or before it. */
  public StopRequest withContactorsBehind(boolean behind) {
    return withBehindDrive(behind);
  }
}
