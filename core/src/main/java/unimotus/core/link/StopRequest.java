package unimotus.core.link;

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
 */
public record StopRequest(
    String axis,
    String name,
    StopTrigger trigger,
    StopLogic logic,
    StopEffect effect,
    boolean manualReset,
    boolean crossFaultDetection,
    double delaySeconds,
    double rampSeconds) {

  /** A stop with the usual choices: manual reset, cross-fault detection, 2.5 s of ramp in 5 s. */
  public static StopRequest of(
      String axis, String name, StopTrigger trigger, StopLogic logic, StopEffect effect) {
    return new StopRequest(axis, name, trigger, logic, effect, true, true, 5, 2.5);
  }

  /** This stop through something else. */
  public StopRequest withLogic(StopLogic next) {
    return new StopRequest(
        axis,
        name,
        trigger,
        next,
        effect,
        manualReset,
        crossFaultDetection,
        delaySeconds,
        rampSeconds);
  }

  /** This stop with another reset and another test of the channels. */
  public StopRequest withRelay(boolean manual, boolean crossFault) {
    return new StopRequest(
        axis, name, trigger, logic, effect, manual, crossFault, delaySeconds, rampSeconds);
  }

  /** This stop with other times of a safe stop 1. */
  public StopRequest withTimes(double delay, double ramp) {
    return new StopRequest(
        axis, name, trigger, logic, effect, manualReset, crossFaultDetection, delay, ramp);
  }
}
