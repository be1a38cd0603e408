package unimotus.formats.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** The plates of older projects and sheets, which said servo figures beside an induction plate. */
public final class MotorPlates {
  private MotorPlates() {}

  /** Changes the plate of a motor in place. */
  public static void divide(ObjectNode motor) {
    if (!(motor.get("plate") instanceof ObjectNode plate)) {
      return;
    }
    JsonNode servo = motor.remove("servo");
    if (servo instanceof ObjectNode servoPlate) {
      servoPlate.put("kind", "permanent-magnet");
      move(plate, servoPlate, "voltageVolts");
      move(plate, servoPlate, "inertiaKgM2");
      motor.set("plate", servoPlate);
    } else {
      plate.put("kind", "induction");
    }
  }

  /**
   * Adds what plates of servo motors did not state before projects of version 12, and need not
   * state in a sheet: 0 is not stated.
   */
  public static void complete(ObjectNode motor) {
    if (motor.get("plate") instanceof ObjectNode plate
        && plate.path("kind").asText().equals("permanent-magnet")) {
      for (String name :
          List.of("peakNewtonMetres", "mostRpm", "brakeOpenSeconds", "brakeCloseSeconds")) {
        if (!plate.has(name)) {
          plate.put(name, 0.0);
        }
      }
    }
  }

  private static void move(ObjectNode from, ObjectNode to, String name) {
    if (from.has(name)) {
      to.set(name, from.get(name));
    }
  }
}
