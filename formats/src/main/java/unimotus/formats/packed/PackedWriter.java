package unimotus.formats.packed;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Writes values one after the other; texts and classes once each. */
final class PackedWriter {
  private final DataOutputStream out;
  private final Map<String, Integer> texts = new HashMap<>();
  private final Map<Class<?>, Integer> classes = new HashMap<>();

  PackedWriter(OutputStream out) {
    this.out = new DataOutputStream(out);
  }

  /**
   * Writes a value.
   *
   * @throws IllegalArgumentException naming the class of what cannot be written
   * @throws IOException where {@code out} does not take it
   */
  void write(@Nullable Object value) throws IOException {
    if (value == null) {
      kind(Kind.NULL);
    } else if (value instanceof String text) {
      kind(Kind.TEXT);
      text(text);
    } else if (value instanceof Double number) {
      kind(Kind.NUMBER);
      out.writeDouble(number);
    } else if (value instanceof Integer whole) {
      kind(Kind.WHOLE);
      out.writeInt(whole);
    } else if (value instanceof Long large) {
      kind(Kind.LARGE);
      out.writeLong(large);
    } else if (value instanceof BigDecimal decimal) {
      kind(Kind.DECIMAL);
      out.writeUTF(decimal.toString());
    } else if (value instanceof Boolean yes) {
      kind(yes ? Kind.YES : Kind.NO);
    } else if (value instanceof List<?> list) {
      kind(Kind.LIST);
      out.writeInt(list.size());
      for (Object item : list) {
        write(item);
      }
    } else if (value instanceof Map<?, ?> map) {
      kind(Kind.MAP);
      out.writeInt(map.size());
      for (Map.Entry<?, ?> entry : map.entrySet()) {
        write(entry.getKey());
        write(entry.getValue());
      }
    } else if (value instanceof Enum<?> constant) {
      kind(Kind.ENUM);
      type(constant.getDeclaringClass());
      out.writeInt(constant.ordinal());
    } else if (value instanceof Record record) {
      kind(Kind.RECORD);
      type(record.getClass());
      components(record);
    } else {
      throw new IllegalArgumentException("%s cannot be packed".formatted(value.getClass()));
    }
  }

  private void components(Record record) throws IOException {
    for (RecordComponent component : record.getClass().getRecordComponents()) {
      try {
        component.getAccessor().setAccessible(true);
        write(component.getAccessor().invoke(record));
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException("a record can always be read: " + component, e);
      }
    }
  }

  private void kind(Kind kind) throws IOException {
    out.writeByte(kind.ordinal());
  }

  /** Its number, and the text itself where it comes for the first time. */
  private void text(String text) throws IOException {
    Integer known = texts.get(text);
    out.writeInt(known == null ? texts.size() : known);
    if (known == null) {
      texts.put(text, texts.size());
      out.writeUTF(text);
    }
  }

  /** Its number, and its name where it comes for the first time. */
  private void type(Class<?> type) throws IOException {
    Integer known = classes.get(type);
    out.writeInt(known == null ? classes.size() : known);
    if (known == null) {
      classes.put(type, classes.size());
      out.writeUTF(type.getName());
    }
  }
}
