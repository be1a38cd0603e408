package unimotus.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sequence.SequenceText;
import unimotus.workbench.SequenceRun;

/** Tells of a sequence of the project that was run on its bench through the wires. */
final class SequenceTold {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;
  private static final double FINE = 1000;

  private final SequenceRun run;

  SequenceTold(SequenceRun run) {
    this.run = run;
  }

  /** 0 where it did what it says and nothing was worth a word, else 1. */
  int status() {
    SequencePlayed.End end = run.played().end();
    boolean fine = end == SequencePlayed.End.DONE || end == SequencePlayed.End.STILL_RUNNING;
    return fine && run.played().notes().isEmpty() && run.played().lostPulses() == 0 ? 0 : 1;
  }

  void print(Output output) {
    SequencePlayed played = run.played();
    MeasureUnit unit = run.plant().unit();
    Columns columns = new Columns("  ", Set.of(0, 2, 3, 4));
    columns.row("", "step", "begins", "takes", "ends at");
    for (SequencePlayed.Ran ran : played.steps()) {
      columns.row(
          Integer.toString(ran.step()),
          SequenceText.words(run.plant().sequence().steps().get(ran.step() - 1), unit),
          seconds(ran.begins()),
          seconds(ran.lasts()),
          run.plant().steps() == null ? "" : PLAIN.text(fine(ran.position()), unit));
    }
    columns.print(output.text());
    output.text().printf("  %s after %s.%n", played.end().label(), seconds(played.seconds()));
    if (run.plant().steps() != null) {
      output
          .text()
          .printf(
              "  The machine stands at %s, the program counts %s; pulses lost: %d.%n",
              PLAIN.text(fine(played.position()), unit),
              PLAIN.text(fine(played.counted()), unit),
              played.lostPulses());
    }
    for (SequencePlayed.Note note : played.notes()) {
      output.text().printf("! %s  %s%n", seconds(note.seconds()), note.text());
    }
    output.text().println("  A simulation is not a proof.");
  }

  private static String seconds(double value) {
    return PLAIN.text(Math.rint(value * 100) / 100, MeasureUnit.SECOND_UNIT);
  }

  private static double fine(double value) {
    double fine = Math.rint(value * FINE) / FINE;
    return fine == 0 ? 0 : fine;
  }

  Map<String, @Nullable Object> document() {
    SequencePlayed played = run.played();
    List<Object> ran = new ArrayList<>();
    played
        .steps()
        .forEach(
            s ->
                ran.add(
                    Output.map(
                        "step", s.step(),
                        "begins", s.begins(),
                        "lasts", s.lasts(),
                        "position", s.position())));
    List<Object> notes = new ArrayList<>();
    played.notes().forEach(n -> notes.add(Output.map("seconds", n.seconds(), "text", n.text())));
    return Output.map(
        "sequence",
        run.plant().design().name(),
        "end",
        played.end().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
        "seconds",
        played.seconds(),
        "position",
        played.position(),
        "counted",
        played.counted(),
        "lostPulses",
        played.lostPulses(),
        "ran",
        ran,
        "notes",
        notes);
  }
}
