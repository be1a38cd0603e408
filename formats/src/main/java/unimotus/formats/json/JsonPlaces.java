package unimotus.formats.json;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;

/** Where in a document each value stands, by JSON pointer. Built only when a fault must be told. */
final class JsonPlaces {
  /** Line and column counted from 1. */
  record Place(int line, int column) {
    static final Place UNKNOWN = new Place(0, 0);

    static Place of(JsonLocation location) {
      return new Place(location.getLineNr(), location.getColumnNr());
    }
  }

  private final Map<String, Place> places = new HashMap<>();

  JsonPlaces(byte[] document) {
    try (JsonParser parser = new JsonFactory().createParser(document)) {
      while (parser.nextToken() != null) {
        JsonToken token = parser.currentToken();
        if (token != JsonToken.FIELD_NAME && !token.isStructEnd()) {
          places.putIfAbsent(pointer(parser), Place.of(parser.currentTokenLocation()));
        }
      }
    } catch (IOException unreadable) {
      // The places up to the fault are all there are; the fault itself is told by the reader.
    }
  }

  private static String pointer(JsonParser parser) {
    var context = parser.getParsingContext();
    // An opening bracket belongs to the value's own pointer, not to one inside it.
    return parser.currentToken().isStructStart()
        ? context.getParent().pathAsPointer().toString()
        : context.pathAsPointer().toString();
  }

  /** The place of a value, or of the nearest value around it that is there. */
  Place of(String pointer) {
    for (String at = pointer; ; at = at.substring(0, at.lastIndexOf('/'))) {
      Place place = places.get(at);
      if (place != null) {
        return place;
      }
      if (at.lastIndexOf('/') < 0) {
        return Place.UNKNOWN;
      }
    }
  }
}
