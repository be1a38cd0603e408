package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import unimotus.core.dryrun.Change;
import unimotus.core.dryrun.DryRun;
import unimotus.core.dryrun.DryRunner;
import unimotus.core.dryrun.DrySchedule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.path.SignalPath;
import unimotus.core.plant.Plant;
import unimotus.core.plant.PlantSchedule;
import unimotus.core.plant.PlantScheduleReader;
import unimotus.core.plant.SequencePlay;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.SheetCatalogue;

/**
 * A sequence of an axis that was played on its bench.
 *
 * @param plant the sequence and what is round it
 * @param schedule what was done to it
 * @param played what came of it
 * @param drive what the drive made of its outputs; null where pulses move the axis, or where its
 *     drive cannot be run dry
 */
public record SequenceRun(
    Plant plant, PlantSchedule schedule, SequencePlayed played, @Nullable DryRun drive) {
  private static final double LOOKED_AT = 90;

  /**
   * Plays a sequence.
   *
   * @param events what is done to it, such as {@code 0 at 5 mm; 0.1 start; 9 permit off}; blank for
   *     a start and nothing else, the machine beside its home switch
   * @throws IllegalArgumentException where the steps or the events are not understood
   */
  public static SequenceRun of(
      Project project,
      SheetCatalogue sheets,
      AxisReview review,
      SequenceDesign design,
      String events,
      BooleanSupplier cancelled) {
    AxisAssembly axis = review.assembly();
    if (axis == null) {
      throw new IllegalArgumentException(review.whyNoPath());
    }
    Plant plant = Plant.of(project, sheets, axis, design);
    PlantSchedule schedule =
        events.isBlank()
            ? PlantSchedule.started(beside(plant), LOOKED_AT)
            : PlantScheduleReader.read(plant, events);
    SequencePlayed played = SequencePlay.run(plant, schedule, cancelled);
    return new SequenceRun(plant, schedule, played, drive(review, axis, played, cancelled));
  }

  /** Off the home switch, by its length: one that begins on it does not find its edge. */
  private static double beside(Plant plant) {
    return plant.switches().stream()
        .filter(s -> s.use() == SwitchUse.HOME)
        .mapToDouble(s -> s.to() + s.length())
        .findFirst()
        .orElse(0);
  }

  private static @Nullable DryRun drive(
      AxisReview review, AxisAssembly axis, SequencePlayed played, BooleanSupplier cancelled) {
    SignalPath path = review.path();
    if (path == null || axis.isStepped() || DryRuns.whyNot(path).isPresent()) {
      return null;
    }
    List<DrySchedule.Event> events = new ArrayList<>();
    played
        .switched()
        .forEach(
            s ->
                events.add(
                    new DrySchedule.Event(s.seconds(), new Change.Switched(s.output(), s.on()))));
    DrySchedule schedule = new DrySchedule("sequence", events, Math.max(1, played.seconds()));
    return DryRunner.run(axis, path, review.beside(), schedule, cancelled);
  }
}
