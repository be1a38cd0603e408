package unimotus.desktop.sequence;

import unimotus.core.plant.Plant;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.workbench.SequenceRun;

/** What came of a run on the bench, in a line. */
final class BenchWords {
  private static final double FINE = 1000;

  private BenchWords() {}

  static String of(Desk desk, SequenceRun run) {
    SequencePlayed played = run.played();
    Plant plant = run.plant();
    StringBuilder words =
        new StringBuilder(
            "%s after %s"
                .formatted(
                    first(played.end().label()),
                    desk.units().text(rounded(played.seconds()), MeasureUnit.SECOND_UNIT)));
    if (plant.steps() != null) {
      words.append(
          "; the machine stands at %s, the program counts %s"
              .formatted(
                  desk.units().text(rounded(played.position()), plant.unit()),
                  desk.units().text(rounded(played.counted()), plant.unit())));
      words.append(
          played.lostPulses() == 0
              ? "; no pulse lost"
              : "; %d %s lost"
                  .formatted(played.lostPulses(), played.lostPulses() == 1 ? "pulse" : "pulses"));
    }
    return words.append('.').toString();
  }

  private static String first(String label) {
    return Character.toUpperCase(label.charAt(0)) + label.substring(1);
  }

  private static double rounded(double value) {
    double fine = Math.rint(value * FINE) / FINE;
    return fine == 0 ? 0 : fine;
  }
}
