package unimotus.formats.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
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
