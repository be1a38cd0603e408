package unimotus.devices.drive;

import org.jspecify.annotations.Nullable;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.servo.ServoMotion;

/** A holding brake that follows the torque: opened with it, closed by its springs without it. */
final class ServoBrake {
  private final ServoMotion motion;
  private final @Nullable BrakeTimes times;
  private final double tick;
  private double since;
  private boolean torque;
  private boolean closed;

  ServoBrake(ServoMotion motion, @Nullable BrakeTimes times, double tick) {
    this.motion = motion;
    this.times = times;
    this.tick = tick;
    this.closed = times != null;
    act();
  }

  boolean isClosed() {
    return closed;
  }

  /** One tick with torque or without. */
  void tick(boolean next) {
    if (times == null) {
      return;
    }
    since = next == torque ? since + tick : 0;
    torque = next;
    if (since >= (torque ? times.openSeconds() : times.closeSeconds()) - tick / 2) {
      closed = !torque;
      act();
    }
  }

  private void act() {
    motion.brake(times != null && closed ? times.holdNewtonMetres() : 0);
  }
}
