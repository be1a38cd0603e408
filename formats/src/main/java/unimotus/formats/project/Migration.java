package unimotus.formats.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.WireMake;
import unimotus.formats.json.Json;

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
            RegisterRole role = RegisterRole.ofName(entry.path("name").asText());
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
