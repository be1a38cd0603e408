package unimotus.core.esi;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The objects of a device by number. Immutable. */
public final class ObjectDictionary {
  /** No objects are known. */
  public static final ObjectDictionary NONE = new ObjectDictionary(List.of());

  private final Map<Integer, DictionaryObject> objects = new LinkedHashMap<>();

  /** A dictionary; of two objects with one number, the later one counts. */
  public ObjectDictionary(List<DictionaryObject> given) {
    given.forEach(o -> objects.put(o.index(), o));
  }

  /** Whether nothing is known of any object. */
  public boolean isEmpty() {
    return objects.isEmpty();
  }

  /** The object of this number; empty where the device has none. */
  public Optional<DictionaryObject> object(int index) {
    return Optional.ofNullable(objects.get(index));
  }

  /** Every object, in the order of the file. */
  public List<DictionaryObject> objects() {
    return List.copyOf(objects.values());
  }
}
