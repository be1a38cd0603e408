package unimotus.cli.mutants;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.DoubleNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.LongNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** Every leaf of a project file spoilt in every way a hand or another program might. */
final class Mutants {
  private static final ObjectMapper JSON = new ObjectMapper();

  /**
   * One spoilt project.
   *
   * @param origin the project it was made of
   * @param place JSON pointer of the leaf
   * @param way how it was spoilt
   * @param isNonsense whether the value is none that could be meant
   * @param text the project as JSON
   */
  record Mutant(String origin, String place, String way, boolean isNonsense, String text) {
    @Override
    public String toString() {
      return "%s %s %s".formatted(origin, place, way);
    }
  }

  private Mutants() {}

  /** All mutants of these projects, by their names. */
  static List<Mutant> of(Map<String, JsonNode> projects) throws JsonProcessingException {
    Map<String, NavigableSet<String>> listed = new TreeMap<>();
    for (JsonNode project : projects.values()) {
      leaves(project)
          .forEach(
              (place, leaf) -> {
                if (leaf.isTextual()) {
                  listed.computeIfAbsent(shape(place), s -> new TreeSet<>()).add(leaf.asText());
                }
              });
    }
    List<Mutant> mutants = new ArrayList<>();
    for (Map.Entry<String, JsonNode> project : projects.entrySet()) {
      for (Map.Entry<String, JsonNode> leaf : leaves(project.getValue()).entrySet()) {
        mutate(
            project.getKey(), project.getValue(), leaf.getKey(), leaf.getValue(), listed, mutants);
      }
    }
    return mutants;
  }

  private static void mutate(
      String origin,
      JsonNode project,
      String place,
      JsonNode leaf,
      Map<String, NavigableSet<String>> listed,
      List<Mutant> mutants)
      throws JsonProcessingException {
    Map<String, JsonNode> sane = new LinkedHashMap<>();
    Map<String, JsonNode> nonsense = new LinkedHashMap<>();
    if (leaf.isNumber()) {
      double value = leaf.asDouble();
      sane.put("zero", IntNode.valueOf(0));
      sane.put(
          "negative", leaf.isInt() ? IntNode.valueOf(-leaf.asInt()) : DoubleNode.valueOf(-value));
      nonsense.put(
          "x1e9",
          leaf.isInt()
              ? LongNode.valueOf(leaf.asLong() * 1_000_000_000L)
              : DoubleNode.valueOf(value * 1e9));
      sane.put("x1e-9", DoubleNode.valueOf(value * 1e-9));
    }
    if (leaf.isTextual()) {
      String other = listed.get(shape(place)).higher(leaf.asText());
      if (other == null) {
        other = listed.get(shape(place)).first();
      }
      sane.put("listed", TextNode.valueOf(other));
      nonsense.put("empty", TextNode.valueOf(""));
    }
    nonsense.put("type", leaf.isTextual() ? IntNode.valueOf(7) : TextNode.valueOf("7"));
    nonsense.put("text", TextNode.valueOf("soon"));
    nonsense.put("32 767", TextNode.valueOf("32 767"));
    nonsense.put("4..20 mA", TextNode.valueOf("4..20 mA"));
    for (Map.Entry<String, JsonNode> next : sane.entrySet()) {
      add(origin, project, place, leaf, next, false, mutants);
    }
    for (Map.Entry<String, JsonNode> next : nonsense.entrySet()) {
      add(origin, project, place, leaf, next, true, mutants);
    }
    mutants.add(new Mutant(origin, place, "removed", false, with(project, place, null)));
  }

  private static void add(
      String origin,
      JsonNode project,
      String place,
      JsonNode leaf,
      Map.Entry<String, JsonNode> next,
      boolean isNonsense,
      List<Mutant> mutants)
      throws JsonProcessingException {
    if (!next.getValue().equals(leaf)) {
      mutants.add(
          new Mutant(
              origin, place, next.getKey(), isNonsense, with(project, place, next.getValue())));
    }
  }

  private static String with(JsonNode project, String place, @Nullable JsonNode next)
      throws JsonProcessingException {
    JsonNode copy = project.deepCopy();
    int slash = place.lastIndexOf('/');
    JsonNode parent = copy.at(place.substring(0, slash));
    String key = place.substring(slash + 1).replace("~1", "/").replace("~0", "~");
    if (parent instanceof ArrayNode array) {
      int index = Integer.parseInt(key);
      if (next == null) {
        array.remove(index);
      } else {
        array.set(index, next);
      }
    } else if (next == null) {
      ((ObjectNode) parent).remove(key);
    } else {
      ((ObjectNode) parent).set(key, next);
    }
    return JSON.writeValueAsString(copy);
  }

  /** A place with the numbers of its rows left out. */
  static String shape(String place) {
    return place.replaceAll("/\\d+(?=/|$)", "/*");
  }

  private static Map<String, JsonNode> leaves(JsonNode project) {
    Map<String, JsonNode> leaves = new LinkedHashMap<>();
    collect("", project, leaves);
    return leaves;
  }

  private static void collect(String place, JsonNode node, Map<String, JsonNode> leaves) {
    if (node.isObject()) {
      node.fields()
          .forEachRemaining(
              f ->
                  collect(
                      place + "/" + f.getKey().replace("~", "~0").replace("/", "~1"),
                      f.getValue(),
                      leaves));
    } else if (node.isArray()) {
      for (int i = 0; i < node.size(); i++) {
        collect(place + "/" + i, node.get(i), leaves);
      }
    } else {
      leaves.put(place, node);
    }
  }
}
