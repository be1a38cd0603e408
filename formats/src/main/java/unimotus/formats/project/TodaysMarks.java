package unimotus.formats.project;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.FormerMarks;
import unimotus.formats.sheet.SheetLibrary;

/**
 * Version 10 names terminals of the shipped sheets by marks of published standards or of our own,
 * and no raw scale is taken for granted: what an older file says is put in today's marks.
 */
final class TodaysMarks {
  /** A terminal within words, such as the element of a fault that is excluded. */
  private static final Pattern TERMINAL = Pattern.compile("([\\w-]+):([\\w.+-]+)");

  private final ObjectNode document;
  private final Map<String, String> sheetOf = new HashMap<>();

  TodaysMarks(ObjectNode document) {
    this.document = document;
    for (String kind : new String[] {"controllers", "drives", "parts"}) {
      for (JsonNode device : document.path(kind)) {
        sheetOf.put(device.path("id").asText(), device.path("sheet").asText());
      }
    }
  }

  void bringOver() {
    Map<String, DeviceSheet> shipped = new HashMap<>();
    SheetLibrary.shipped().forEach(s -> shipped.put(s.id(), s));
    for (JsonNode controller : document.path("controllers")) {
      DeviceSheet sheet = shipped.get(controller.path("sheet").asText());
      if (sheet != null && controller instanceof ObjectNode object) {
        bringOver(object, sheet);
      }
    }
    document.path("axes").forEach(this::bringOverAxis);
    for (String part : new String[] {"wires", "intents", "probes"}) {
      document.path(part).forEach(this::bringOverTerminals);
    }
    document.path("stops").forEach(s -> s.path("use").path("exclusions").forEach(this::exclusion));
  }

  private static void bringOver(ObjectNode controller, DeviceSheet sheet) {
    Map<String, String> former = new TreeMap<>();
    controller
        .path("selectors")
        .fields()
        .forEachRemaining(
            e -> {
              if (e.getValue().isTextual()) {
                former.put(e.getKey(), e.getValue().asText());
              }
            });
    if (controller.get("selectors") instanceof ObjectNode selectors
        && former.size() == selectors.size()) {
      selectors.removeAll();
      FormerMarks.selectorsNow(sheet, former).forEach(selectors::put);
    }
    if (controller.get("addresses") instanceof ObjectNode addresses) {
      renameKeys(addresses, mark -> FormerMarks.now(sheet.id(), mark));
    }
  }

  private static void renameKeys(ObjectNode object, UnaryOperator<String> name) {
    ObjectNode former = object.deepCopy();
    object.removeAll();
    former.fields().forEachRemaining(e -> object.set(name.apply(e.getKey()), e.getValue()));
  }

  private void bringOverAxis(JsonNode axis) {
    String controller = sheetOf.get(axis.path("controller").asText());
    String drive = sheetOf.get(axis.path("drive").asText());
    rename(axis.path("reference"), "output", controller);
    rename(axis.path("reference"), "input", drive);
    rename(axis.path("answer"), "output", drive);
    rename(axis.path("answer"), "input", controller);
  }

  /** Every terminal named with its device in {@code node} and below it. */
  private void bringOverTerminals(JsonNode node) {
    String sheet = sheetOf.get(node.path("device").asText());
    rename(node, "terminal", sheet);
    rename(node, "state", sheet);
    node.forEach(this::bringOverTerminals);
  }

  private static void rename(JsonNode node, String key, @Nullable String sheet) {
    if (sheet != null && node instanceof ObjectNode object && node.path(key).isTextual()) {
      object.put(key, FormerMarks.now(sheet, node.path(key).asText()));
    }
  }

  private void exclusion(JsonNode exclusion) {
    if (exclusion instanceof ObjectNode object && exclusion.path("element").isTextual()) {
      object.put(
          "element",
          TERMINAL
              .matcher(exclusion.path("element").asText())
              .replaceAll(
                  m -> Matcher.quoteReplacement(m.group(1) + ":" + now(m.group(1), m.group(2)))));
    }
  }

  private String now(String device, String mark) {
    String sheet = sheetOf.get(device);
    return sheet == null ? mark : FormerMarks.now(sheet, mark);
  }
}
