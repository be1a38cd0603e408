package unimotus.workbench;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.SafetyNote;
import unimotus.core.machine.StopFunction;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.ProofList;
import unimotus.core.quantity.QuantityFormat;

/**
 * How far the stops of an axis are proved, and what stays on record about them.
 *
 * @param state how far; {@code UNPROVEN} where there is no stop
 * @param due when the proof has to be repeated; empty where it is not proved
 * @param notes what is on record, in the order it was written
 */
public record StopProof(AxisProof.State state, Optional<LocalDate> due, List<SafetyNote> notes) {

  /** Takes a copy. */
  public StopProof {
    notes = List.copyOf(notes);
  }

  /** The proof of the stops of an axis as the project has it. */
  public static StopProof of(Project project, Evidence evidence) {
    String axis = evidence.axis().axis().id();
    AxisProof proof = evidence.proof().ofStops();
    List<SafetyNote> notes = project.notes().stream().filter(n -> n.axis().equals(axis)).toList();
    Optional<LocalDate> due =
        proof.state() == AxisProof.State.PROVEN
            ? due(evidence.axis().stops(), proof)
            : Optional.empty();
    return new StopProof(proof.state(), due, notes);
  }

  /** The oldest reading counts, with the shortest time between proofs. */
  private static Optional<LocalDate> due(List<StopFunction> stops, AxisProof proof) {
    int months = months(stops);
    return proof.verdicts().stream()
        .flatMap(v -> Optional.ofNullable(v.reading()).stream())
        .map(Reading::takenAt)
        .map(at -> LocalDate.ofInstant(Instant.parse(at), ZoneOffset.UTC))
        .min(LocalDate::compareTo)
        .map(first -> first.plusMonths(months));
  }

  /** Months between two proofs: the shortest of all stops counts. */
  private static int months(List<StopFunction> stops) {
    return stops.stream().mapToInt(s -> s.use().tests().months()).min().orElse(12);
  }

  /** Whether every stop was proved as it is designed and the proof is not overdue. */
  public boolean holds(LocalDate today) {
    return state == AxisProof.State.PROVEN && due.filter(d -> !d.isBefore(today)).isPresent();
  }

  /** Whether somebody gave a reason to go on without proof. */
  public boolean mayGoOn() {
    return notes.stream().anyMatch(n -> n.kind() == SafetyNote.Kind.GOING_ON);
  }

  /** The sheet to take to the machine. */
  public static ProofList list(Project project, Evidence evidence, QuantityFormat format) {
    StopProof proof = of(project, evidence);
    List<String> remarks = new ArrayList<>();
    for (String stop : evidence.proof().barred()) {
      remarks.add(
          "No row for %s. It cannot be proved before it is fixed; no figure of it is given."
              .formatted(stop));
    }
    int months = months(evidence.axis().stops());
    remarks.add(
        "Repeat after every change of what it covers, and every %d months%s."
            .formatted(months, proof.due().map(d -> "; due on " + d).orElse("")));
    proof.notes().forEach(n -> remarks.add(text(n)));
    remarks.add("Done by ____________________   on ____________   signed ____________________");
    return ProofList.of(
        project.name(), evidence.axis().axis().name(), evidence.proof(), remarks, format);
  }

  /** A note in words. */
  public static String text(SafetyNote note) {
    if (note.kind() == SafetyNote.Kind.GOING_ON) {
      return "Went on without proof, %s, %s: %s".formatted(note.at(), note.by(), note.text());
    }
    String gone =
        note.isStanding()
            ? "STILL THERE"
            : "removed %s by %s".formatted(note.removedAt(), note.removedBy());
    return "Bypass, %s, %s: %s; %s".formatted(note.at(), note.by(), note.text(), gone);
  }
}
