package unimotus.formats.esi;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import unimotus.core.processdata.ListedVariable;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/**
 * The variables a controller has for one side of an image: as CSV with the columns {@code name},
 * {@code type} and, if they are not one after the other, {@code offset} (byte or byte.bit); or as
 * declarations of structured text (IEC 61131-3).
 */
public final class VariableList {
  private static final Pattern DECLARATION =
      Pattern.compile(
          "\\s*([A-Za-z_]\\w*)\\s*(?:AT\\s*%[IQ]([XBWDL])(\\d+)(?:\\.([0-7]))?\\s*)?:\\s*(\\w+)\\s*(?::=[^;]*)?;\\s*",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern AROUND =
      Pattern.compile(
          "\\s*(VAR\\w*|END_VAR|TYPE.*|END_TYPE|STRUCT|END_STRUCT;?|)\\s*",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern COMMENT =
      Pattern.compile("\\(\\*.*?\\*\\)|//[^\\n]*", Pattern.DOTALL);
  private static final Pattern OFFSET = Pattern.compile("(\\d+)(?:\\.([0-7]))?");
  private static final String WHAT = "list of variables";

  private VariableList() {}

  /**
   * Reads a list.
   *
   * @throws FileFault naming the line where something cannot be used
   */
  public static List<ListedVariable> read(String name, byte[] bytes) throws FileFault {
    String text = new String(bytes, StandardCharsets.UTF_8);
    return text.contains(":") && text.contains(";") && !heading(text).contains("name")
        ? declarations(name, text)
        : table(name, bytes);
  }

  private static String heading(String text) {
    return text.lines().findFirst().orElse("").toLowerCase(Locale.ROOT);
  }

  private static List<ListedVariable> declarations(String file, String text) throws FileFault {
    // A comment is blanked, so that lines keep their numbers.
    String bare = COMMENT.matcher(text).replaceAll(c -> c.group().replaceAll("[^\\n]", " "));
    List<ListedVariable> variables = new ArrayList<>();
    int line = 0;
    for (String each : bare.split("\n", -1)) {
      line++;
      Matcher declared = DECLARATION.matcher(each);
      if (declared.matches()) {
        variables.add(declared(file, line, declared));
      } else if (!AROUND.matcher(each).matches()) {
        throw new FileFault(
            file,
            line,
            1,
            "'%s' is not understood; expected one declaration a line, such as Speed : INT;"
                .formatted(each.strip()));
      }
    }
    return variables;
  }

  private static ListedVariable declared(String file, int line, Matcher declared) throws FileFault {
    String size = declared.group(2);
    Integer bit = null;
    if (size != null && size.toUpperCase(Locale.ROOT).matches("[WDL]")) {
      // Whether 2 is the second byte or the second word differs between controllers.
      throw new FileFault(
          file,
          line,
          1,
          "the address of '%s' counts words; controllers count them differently: give a byte (%%QB4) or bit (%%QX4.0), or none"
              .formatted(declared.group(1)));
    }
    if (size != null) {
      bit = bits(declared.group(3), declared.group(4));
    }
    return variable(file, line, declared.group(1), declared.group(5), bit);
  }

  private static int bits(String bytes, @Nullable String bit) {
    return Byte.SIZE * Integer.parseInt(bytes) + (bit == null ? 0 : Integer.parseInt(bit));
  }

  private static List<ListedVariable> table(String file, byte[] bytes) throws FileFault {
    CsvTable table = CsvTable.read(file, bytes, WHAT);
    CSVRecord heading = table.records().get(0);
    int name = column(heading, "name");
    int type = column(heading, "type");
    int offset = column(heading, "offset");
    if (name < 0 || type < 0) {
      throw new FileFault(
          file,
          1,
          1,
          "the heading is '%s'; expected the columns name and type, and offset if need be"
              .formatted(String.join(",", heading)));
    }
    List<ListedVariable> variables = new ArrayList<>();
    for (CSVRecord record : table.records().subList(1, table.records().size())) {
      int line = (int) record.getRecordNumber();
      if (record.size() <= Math.max(name, type)) {
        throw new FileFault(
            file,
            line,
            1,
            "the line has %d cells; expected name and type".formatted(record.size()));
      }
      String place = offset < 0 || record.size() <= offset ? "" : record.get(offset).strip();
      variables.add(
          variable(
              file, line, record.get(name).strip(), record.get(type), place(file, line, place)));
    }
    return variables;
  }

  private static @Nullable Integer place(String file, int line, String place) throws FileFault {
    if (place.isEmpty()) {
      return null;
    }
    Matcher offset = OFFSET.matcher(place);
    if (!offset.matches()) {
      throw new FileFault(
          file, line, 1, "offset '%s'; expected a byte, or byte.bit such as 4.0".formatted(place));
    }
    return bits(offset.group(1), offset.group(2));
  }

  private static ListedVariable variable(
      String file, int line, String name, String type, @Nullable Integer bit) throws FileFault {
    try {
      return ListedVariable.of(name, type, bit);
    } catch (IllegalArgumentException refused) {
      throw new FileFault(file, line, 1, String.valueOf(refused.getMessage()));
    }
  }

  private static int column(CSVRecord heading, String name) {
    for (int i = 0; i < heading.size(); i++) {
      if (heading.get(i).strip().equalsIgnoreCase(name)) {
        return i;
      }
    }
    return -1;
  }
}
