package unimotus.devices.modbus.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What the independent analyser would call the fields of an explained frame. */
final class Dissection {
  /** Its fields, in the order they are asked for. */
  static final List<String> FIELDS =
      List.of(
          "mbtcp.trans_id",
          "mbtcp.prot_id",
          "mbtcp.len",
          "mbtcp.unit_id",
          "mbrtu.unit_id",
          "mbrtu.crc16.status",
          "modbus.func_code",
          "modbus.exception_code",
          "modbus.reference_num",
          "modbus.read_reference_num",
          "modbus.write_reference_num",
          "modbus.word_cnt",
          "modbus.bit_cnt",
          "modbus.read_word_cnt",
          "modbus.write_word_cnt",
          "modbus.byte_cnt",
          "modbus.byte_cnt_16",
          "modbus.regval_uint16",
          "modbus.and_mask",
          "modbus.or_mask",
          "modbus.diagnostic_code",
          "modbus.ev_status",
          "modbus.ev_count",
          "modbus.ev_msg_count",
          "modbus.event",
          "modbus.reference_type",
          "modbus.reference_num_32",
          "modbus.mei",
          "modbus.read_device_id",
          "modbus.object_id",
          "modbus.num_objects",
          "modbus.objects_len",
          "modbus.conformity_level",
          "modbus.more_follows",
          "modbus.next_object_id",
          "modbus.object_str_value");

  private static final Map<String, String> NUMBERS =
      Map.ofEntries(
          Map.entry("transaction", "mbtcp.trans_id"),
          Map.entry("protocol", "mbtcp.prot_id"),
          Map.entry("length", "mbtcp.len"),
          Map.entry("exception", "modbus.exception_code"),
          Map.entry("address", "modbus.reference_num"),
          Map.entry("read address", "modbus.read_reference_num"),
          Map.entry("write address", "modbus.write_reference_num"),
          Map.entry("read count", "modbus.read_word_cnt"),
          Map.entry("write count", "modbus.write_word_cnt"),
          Map.entry("queue count", "modbus.word_cnt"),
          Map.entry("record length", "modbus.word_cnt"),
          Map.entry("group length", "modbus.byte_cnt"),
          Map.entry("subfunction", "modbus.diagnostic_code"),
          Map.entry("event count", "modbus.ev_count"),
          Map.entry("message count", "modbus.ev_msg_count"),
          Map.entry("reference type", "modbus.reference_type"),
          Map.entry("interface", "modbus.mei"),
          Map.entry("code", "modbus.read_device_id"),
          Map.entry("object", "modbus.object_id"),
          Map.entry("objects", "modbus.num_objects"),
          Map.entry("object length", "modbus.objects_len"),
          Map.entry("next object", "modbus.next_object_id"));

  private static final Map<String, String> HEXADECIMAL =
      Map.of(
          "and-mask", "modbus.and_mask",
          "or-mask", "modbus.or_mask",
          "status", "modbus.ev_status",
          "conformity", "modbus.conformity_level",
          "more follows", "modbus.more_follows");

  private final ExplainedFrame frame;
  private final Map<String, List<String>> seen = new TreeMap<>();
  private int function;
  private int file;

  private Dissection(ExplainedFrame frame) {
    this.frame = frame;
  }

  static Map<String, List<String>> of(ExplainedFrame frame) {
    Dissection dissection = new Dissection(frame);
    frame.parts().forEach(dissection::part);
    return dissection.seen;
  }

  private void part(FramePart part) {
    if (part.meaning().equals("cut off")) {
      return;
    }
    String digits = part.bytes().replace(" ", "");
    String name = part.name();
    if (NUMBERS.containsKey(name)) {
      add(NUMBERS.get(name), String.valueOf(Integer.parseInt(digits, 16)));
    } else if (HEXADECIMAL.containsKey(name)) {
      add(HEXADECIMAL.get(name), "0x" + digits.toLowerCase());
    } else if (part.meaning().startsWith("'")) {
      add("modbus.object_str_value", part.meaning().substring(1, part.meaning().length() - 1));
    } else {
      other(part, digits);
    }
  }

  private void other(FramePart part, String digits) {
    switch (part.name().replaceFirst(" \\d+$", "")) {
      case "unit" ->
          add(
              frame.serial() ? "mbrtu.unit_id" : "mbtcp.unit_id",
              String.valueOf(Integer.parseInt(digits, 16)));
      case "check" -> add("mbrtu.crc16.status", part.fault().isEmpty() ? "1" : "0");
      case "function" -> {
        function = Integer.parseInt(digits, 16);
        add("modbus.func_code", String.valueOf(function & 0x7F));
      }
      case "count" -> {
        boolean bits = function == 1 || function == 2 || function == 15;
        add(bits ? "modbus.bit_cnt" : "modbus.word_cnt", number(digits));
      }
      case "byte count" -> {
        if (function != 17) {
          add(function == 24 ? "modbus.byte_cnt_16" : "modbus.byte_cnt", number(digits));
        }
      }
      case "register" -> {
        if (function == 3 || function == 4 || function == 16) {
          add("modbus.regval_uint16", number(digits));
        }
      }
      case "event" -> add("modbus.event", number(digits));
      case "file" -> file = Integer.parseInt(digits, 16);
      case "record" -> {
        long both = (long) file << 16 | Integer.parseInt(digits, 16);
        add("modbus.reference_num_32", String.valueOf(both));
      }
      default -> {}
    }
  }

  private static String number(String digits) {
    return String.valueOf(Integer.parseInt(digits, 16));
  }

  private void add(String field, String value) {
    seen.computeIfAbsent(field, f -> new ArrayList<>()).add(value);
  }
}
