package unimotus.formats.packed;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reads what {@link PackedWriter} wrote; every record goes through its own constructor. */
final class PackedReader {
  private final DataInputStream in;
  private final List<String> texts = new ArrayList<>();
  private final List<Type> types = new ArrayList<>();

  /** A record's constructor, or the constants of an enum. */
  private record Type(@Nullable Constructor<?> constructor, Object @Nullable [] constants) {}

  PackedReader(InputStream in) {
    this.in = new DataInputStream(in);
  }

  /**
   * Reads a value.
   *
   * @throws IOException where the stream ends too early or was written for other classes
   */
  @Nullable Object read() throws IOException {
    return switch (Kind.of(in.readByte())) {
      case NULL -> null;
      case TEXT -> text();
      case NUMBER -> in.readDouble();
      case DECIMAL -> new BigDecimal(in.readUTF());
      case WHOLE -> in.readInt();
      case LARGE -> in.readLong();
      case YES -> true;
      case NO -> false;
      case LIST -> list();
      case MAP -> map();
      case ENUM -> constant();
      case RECORD -> record();
    };
  }

  private List<@Nullable Object> list() throws IOException {
    int size = in.readInt();
    List<@Nullable Object> list = new ArrayList<>(size);
    for (int i = 0; i < size; i++) {
      list.add(read());
    }
    return list;
  }

  private Map<@Nullable Object, @Nullable Object> map() throws IOException {
    int size = in.readInt();
    Map<@Nullable Object, @Nullable Object> map = new LinkedHashMap<>();
    for (int i = 0; i < size; i++) {
      map.put(read(), read());
    }
    return map;
  }

  private Object constant() throws IOException {
    Object[] constants = type().constants();
    if (constants == null) {
      throw new IOException("the packed form was made for other classes");
    }
    return constants[in.readInt()];
  }

  private Object record() throws IOException {
    Constructor<?> constructor = type().constructor();
    if (constructor == null) {
      throw new IOException("the packed form was made for other classes");
    }
    Object[] values = new Object[constructor.getParameterCount()];
    for (int i = 0; i < values.length; i++) {
      values[i] = read();
    }
    try {
      return constructor.newInstance(values);
    } catch (InvocationTargetException | InstantiationException | IllegalAccessException e) {
      throw new IOException("the packed form was made for other classes: " + constructor, e);
    }
  }

  private String text() throws IOException {
    int number = in.readInt();
    if (number == texts.size()) {
      texts.add(in.readUTF());
    }
    return texts.get(number);
  }

  private Type type() throws IOException {
    int number = in.readInt();
    if (number == types.size()) {
      types.add(type(in.readUTF()));
    }
    return types.get(number);
  }

  private static Type type(String name) throws IOException {
    try {
      Class<?> type = Class.forName(name);
      if (type.isEnum()) {
        return new Type(null, type.getEnumConstants());
      }
      RecordComponent[] components = type.getRecordComponents();
      Class<?>[] parameters = new Class<?>[components.length];
      for (int i = 0; i < parameters.length; i++) {
        parameters[i] = components[i].getType();
      }
      Constructor<?> constructor = type.getDeclaredConstructor(parameters);
      constructor.setAccessible(true);
      return new Type(constructor, null);
    } catch (ReflectiveOperationException e) {
      throw new IOException("the packed form was made for other classes: " + name, e);
    }
  }
}
