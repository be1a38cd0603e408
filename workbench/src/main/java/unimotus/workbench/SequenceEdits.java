package unimotus.workbench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.Response;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.TerminalRef;

/** The named changes of sequences, and of the switches along a travel that they rely on. */
public final class SequenceEdits {
  private SequenceEdits() {}

  /** Begins a sequence with steps that can be run at once. */
  public static Edit begin(String axisId, String name) {
    String called = name.strip();
    return new Edit(
        "add sequence " + called,
        p -> {
          if (p.sequencesOf(axisId).stream().anyMatch(q -> q.name().equals(called))) {
            throw new IllegalArgumentException(
                "there is a sequence '%s' on this axis already".formatted(called));
          }
          return p.with(SequenceDesign.begin(axisId, called, "wait 1 s"));
        });
  }

  /** Removes a sequence. */
  public static Edit remove(SequenceDesign sequence) {
    return new Edit(
        "remove sequence " + sequence.name(),
        p ->
            p.withSequences(
                p.sequences().stream()
                    .filter(q -> !q.is(sequence.axis(), sequence.name()))
                    .toList()));
  }

  /** Calls a sequence by another name. */
  public static Edit rename(SequenceDesign sequence, String name) {
    String called = name.strip();
    return new Edit(
        "rename sequence " + sequence.name(),
        p ->
            p.withSequences(
                p.sequences().stream()
                    .map(q -> q.is(sequence.axis(), sequence.name()) ? q.withName(called) : q)
                    .toList()));
  }

  /** Writes the steps anew. */
  public static Edit words(SequenceDesign sequence, String words) {
    return change(sequence, "steps of " + sequence.name(), q -> q.withWords(words));
  }

  /** Places a name on a terminal, or on none. */
  public static Edit place(SequenceDesign sequence, String name, @Nullable TerminalRef at) {
    return change(
        sequence,
        at == null ? "place '%s' nowhere".formatted(name) : "place '%s' on %s".formatted(name, at),
        q -> {
          Map<String, TerminalRef> signals = new LinkedHashMap<>(q.signals());
          if (at == null) {
            signals.remove(name);
          } else {
            signals.put(name, at);
          }
          return q.withSignals(signals);
        });
  }

  /** Places several names. */
  public static Edit place(SequenceDesign sequence, Map<String, TerminalRef> found) {
    return change(
        sequence,
        "place %d %s".formatted(found.size(), found.size() == 1 ? "name" : "names"),
        q -> {
          Map<String, TerminalRef> signals = new LinkedHashMap<>(q.signals());
          signals.putAll(found);
          return q.withSignals(signals);
        });
  }

  /** Adds what happens at the machine in answer to a coil. */
  public static Edit respond(SequenceDesign sequence, Response response) {
    return change(
        sequence,
        "add what operates " + response.part(),
        q -> {
          List<Response> all = new ArrayList<>(q.responses());
          all.removeIf(r -> r.part().equals(response.part()));
          all.add(response);
          return q.withResponses(all);
        });
  }

  /** Takes it away. */
  public static Edit forget(SequenceDesign sequence, Response response) {
    return change(
        sequence,
        "remove what operates " + response.part(),
        q -> q.withResponses(q.responses().stream().filter(r -> !r.equals(response)).toList()));
  }

  /** Places a switch along the travel of an axis, in the place of what it was before. */
  public static Edit travelSwitch(String axisId, PlacedSwitch placed) {
    return MotionEdits.pulses(
        axisId,
        "place %s along the travel".formatted(placed.part()),
        s -> {
          List<PlacedSwitch> all = new ArrayList<>(s.switches());
          int at = 0;
          while (at < all.size() && !all.get(at).part().equals(placed.part())) {
            at++;
          }
          if (at < all.size()) {
            all.set(at, placed);
          } else {
            all.add(placed);
          }
          return s.withSwitches(all);
        });
  }

  /** Takes a switch off the travel of an axis. */
  public static Edit offTravel(String axisId, String part) {
    return MotionEdits.pulses(
        axisId,
        "take %s off the travel".formatted(part),
        s -> s.withSwitches(s.switches().stream().filter(x -> !x.part().equals(part)).toList()));
  }

  private static Edit change(
      SequenceDesign sequence, String what, UnaryOperator<SequenceDesign> change) {
    return new Edit(what, p -> changed(p, sequence, change));
  }

  private static Project changed(
      Project project, SequenceDesign sequence, UnaryOperator<SequenceDesign> change) {
    SequenceDesign now =
        project.sequencesOf(sequence.axis()).stream()
            .filter(q -> q.name().equals(sequence.name()))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "sequence '%s' is no longer there".formatted(sequence.name())));
    return project.with(change.apply(now));
  }
}
