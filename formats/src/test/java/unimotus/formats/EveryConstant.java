package unimotus.formats;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Copies of a value in which one constant of an enum stands wherever one of that enum stood; made
 * by reflection over records, lists and maps, so that a new constant is tested without being named.
 */
final class EveryConstant {
  private EveryConstant() {}

  /** A constructor said no to a combination; such a copy cannot exist. */
  private static final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /** The enums that occur anywhere in a value. */
  static Set<Class<?>> enums(Object value) {
    Set<Class<?>> found = new LinkedHashSet<>();
    collect(value, found);
    return found;
  }

  private static void collect(Object value, Set<Class<?>> found) {
    if (value instanceof Enum<?> e) {
      found.add(e.getDeclaringClass());
    } else if (value instanceof Record record) {
      for (RecordComponent c : record.getClass().getRecordComponents()) {
        collect(read(record, c), found);
      }
    } else if (value instanceof Iterable<?> many) {
      many.forEach(v -> collect(v, found));
    } else if (value instanceof Map<?, ?> map) {
      map.values().forEach(v -> collect(v, found));
    }
  }

  /** The copy with {@code constant} in every place of its enum; empty where none can exist. */
  @SuppressWarnings("unchecked")
  static <T> Optional<T> with(T value, Enum<?> constant) {
    try {
      return Optional.of((T) copy(value, constant));
    } catch (Refused refused) {
      return Optional.empty();
    }
  }

  private static Object copy(Object value, Enum<?> constant) {
    if (value instanceof Enum<?> e) {
      return e.getDeclaringClass() == constant.getDeclaringClass() ? constant : e;
    }
    if (value instanceof Record record) {
      return copied(record, constant);
    }
    if (value instanceof List<?> list) {
      List<Object> next = new ArrayList<>();
      // What refuses the constant by itself stays as it was; another element may take it.
      list.forEach(v -> next.add(orAsItWas(v, constant)));
      return next;
    }
    if (value instanceof Map<?, ?> map) {
      Map<Object, Object> next = new LinkedHashMap<>();
      map.forEach((k, v) -> next.put(k, orAsItWas(v, constant)));
      return next;
    }
    return value;
  }

  private static Object orAsItWas(Object value, Enum<?> constant) {
    try {
      return copy(value, constant);
    } catch (Refused refused) {
      return value;
    }
  }

  private static Record copied(Record record, Enum<?> constant) {
    RecordComponent[] components = record.getClass().getRecordComponents();
    Object[] values = new Object[components.length];
    boolean changed = false;
    for (int i = 0; i < components.length; i++) {
      Object was = read(record, components[i]);
      values[i] = copy(was, constant);
      changed |= values[i] != was;
    }
    return changed ? made(record, components, values) : record;
  }

  private static Record made(Record record, RecordComponent[] components, Object[] values) {
    Class<?>[] types =
        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
    try {
      Constructor<?> constructor = record.getClass().getDeclaredConstructor(types);
      constructor.setAccessible(true);
      return (Record) constructor.newInstance(values);
    } catch (InvocationTargetException refused) {
      throw new Refused();
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Object read(Record record, RecordComponent component) {
    try {
      component.getAccessor().setAccessible(true);
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }
}
