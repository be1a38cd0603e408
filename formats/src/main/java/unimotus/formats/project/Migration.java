package unimotus.formats.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.WireMake;
import unimotus.core.value.ValueRole;
import unimotus.formats.json.Json;
import unimotus.formats.json.MotorPlates;

/** Brings the documents of older versions to the present one, step by step. */
final class Migration {
  private Migration() {}

  /** Changes {@code document} in place. */
  static void bringUpToDate(ObjectNode document, int version) {
    if (version < 2) {
      addPartsAndMakes(document);
    }
    if (version < 3) {
      addStops(document);
    }
    if (version < 4) {
      document.putArray("records");
    }
    if (version < 5) {
      addFieldbus(document);
    }
    if (version < 6) {
      divideUse(document);
    }
    if (version < 9) {
      partValuesFromPlaces(document);
      divideMotors(document);
      addAddresses(document);
    }
    if (version < 10) {
      new TodaysMarks(document).bringOver();
      document.putArray("board");
    }
    if (version < 11) {
      document.putArray("stations");
    }
    if (version < 12) {
      completePlates(document);
    }
    if (version < 16) {
      addSequences(document);
    }
  }

  /** Version 16 knows sequences and switches along a travel. */
  private static void addSequences(ObjectNode document) {
    document.putArray("sequences");
    for (JsonNode axis : document.path("axes")) {
      if (axis.path("motion").path("steps") instanceof ObjectNode steps) {
        steps.put("creep", 0);
        steps.putArray("switches");
      }
    }
  }

  /** Version 6 knows how a person comes near a stop, its tests, and faults that are excluded. */
  private static void divideUse(ObjectNode document) {
    for (JsonNode stop : document.path("stops")) {
      if (stop.path("use") instanceof ObjectNode use && stop instanceof ObjectNode object) {
        object.set("use", divided(use, stop.path("trigger").asText()));
      }
    }
  }

  /** Version 9 knows what a value on the fieldbus is apart from where it stands. */
  private static void partValuesFromPlaces(ObjectNode document) {
    for (JsonNode record : document.path("records")) {
      for (JsonNode register : record.path("fieldbus").path("registers")) {
        if (register instanceof ObjectNode entry) {
          ObjectNode flat = entry.deepCopy();
          entry.removeAll();
          ObjectNode value = entry.putObject("value");
          move(flat, value, "name", "role", "type", "access");
          move(flat, value.putObject("scaling"), "scale", "offset", "unit");
          move(flat, value.putObject("limits"), "minimum", "maximum");
          move(flat, entry.putObject("place"), "table", "address", "order", "group");
        }
      }
    }
  }

  /** Version 9 knows kinds of motors. */
  private static void divideMotors(ObjectNode document) {
    for (JsonNode motor : document.path("motors")) {
      if (motor instanceof ObjectNode object) {
        MotorPlates.divide(object);
      }
    }
  }

  /** Version 12 knows more of servo plates, and what positioning axes are to do. */
  private static void completePlates(ObjectNode document) {
    for (JsonNode motor : document.path("motors")) {
      if (motor instanceof ObjectNode object) {
        MotorPlates.complete(object);
      }
    }
  }

  /** Version 9 knows the addresses of a controller's channels. */
  private static void addAddresses(ObjectNode document) {
    for (JsonNode controller : document.path("controllers")) {
      if (controller instanceof ObjectNode object) {
        object.putObject("addresses");
      }
    }
  }

  private static ObjectNode divided(ObjectNode use, String trigger) {
    ObjectNode next = Json.strict().valueToTree(StopUse.USUAL);
    move(use, next.withObject("/rhythm"), "demandsPerHour", "hoursPerDay", "daysPerYear");
    move(use, next.withObject("/risk"), "severeInjury", "frequentExposure", "hardlyAvoidable");
    move(use, next, "commonCause", "b10dCycles");
    next.withObject("/tests").set("months", use.path("testMonths"));
    ObjectNode approach = next.withObject("/approach");
    move(use, approach, "resolutionMillimetres", "distanceMillimetres");
    // What was reckoned as a curtain stays one; a guard was reckoned with no resolution.
    boolean guard = trigger.equals("guard-switch") || trigger.equals("trapped-key");
    boolean curtain = use.path("resolutionMillimetres").asDouble() > 0;
    approach.put("kind", curtain ? "curtain" : guard ? "guard" : "none");
    return next;
  }

  private static void move(ObjectNode from, ObjectNode to, String... names) {
    for (String name : names) {
      if (from.has(name)) {
        to.set(name, from.get(name));
      }
    }
  }

  /** Version 5 knows unit, words and roles beside the registers of a drive. */
  private static void addFieldbus(ObjectNode document) {
    for (JsonNode record : document.path("records")) {
      if (record instanceof ObjectNode object) {
        ObjectNode link = Json.strict().valueToTree(FieldbusLink.USUAL);
        JsonNode found = object.remove("registers");
        JsonNode registers = found == null ? link.path("registers") : found;
        for (JsonNode register : registers) {
          if (register instanceof ObjectNode entry) {
            ValueRole role = ValueRole.ofName(entry.path("name").asText());
            entry.set("role", Json.strict().valueToTree(role));
          }
        }
        link.set("registers", registers);
        object.set("fieldbus", link);
      }
    }
  }

  /** Version 3 knows stop functions and what has to stay on record about safety. */
  private static void addStops(ObjectNode document) {
    document.putArray("stops");
    document.putArray("notes");
  }

  /** Version 2 knows panel parts, intents, and what a wire is made of. */
  private static void addPartsAndMakes(ObjectNode document) {
    document.putArray("parts");
    document.putArray("intents");
    document.putArray("probes");
    for (JsonNode wire : document.path("wires")) {
      if (wire instanceof ObjectNode object) {
        object.set("make", Json.strict().valueToTree(WireMake.PLAIN));
      }
    }
  }
}
