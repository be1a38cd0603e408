package unimotus.core.stops.adversary;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A panel as a plain list: which device is of which class, and which terminal is wired to which.
 * What the program makes of it and what the oracle makes of it both start here.
 */
final class Panel {
  /** How the motion is taken away. */
  enum Effect {
    STO,
    CONTACTORS
  }

  final Map<String, String> sheets = new LinkedHashMap<>();
  final List<String[]> wires = new ArrayList<>();
  final List<String> notes = new ArrayList<>();
  final List<String> triggers = new ArrayList<>();
  final List<String> contactors = new ArrayList<>();
  Effect effect = Effect.STO;
  String relay = "";
  String reset = "";
  boolean manual = true;
  boolean crossFault = true;
  boolean jumper;

  void wire(String from, String to) {
    if (!from.equals(to)) {
      wires.add(new String[] {from, to});
    }
  }

  String device(String id, String sheet) {
    sheets.put(id, sheet);
    return id;
  }

  /** Everything on one line, to play it again by hand. */
  @Override
  public String toString() {
    StringBuilder text = new StringBuilder();
    text.append(effect).append(jumper ? " jumper" : "").append(manual ? " manual" : " automatic");
    text.append(crossFault ? " cross" : "").append(' ').append(sheets).append(' ').append(notes);
    wires.forEach(w -> text.append("\n  ").append(w[0]).append(" – ").append(w[1]));
    return text.toString();
  }
}
