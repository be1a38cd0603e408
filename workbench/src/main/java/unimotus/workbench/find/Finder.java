package unimotus.workbench.find;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Device;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.proof.Prediction;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.scaling.Holder;
import unimotus.core.settings.SettingText;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.Terminal;
import unimotus.workbench.WorkStep;

/** All there is on a line, found by a few words. */
public final class Finder {
  private static final String STATION = "station";

  private final List<Hit> all = new ArrayList<>();
  private final Set<TerminalRef> terminals = new HashSet<>();
  private final Set<String> wires = new HashSet<>();
  private final Set<String> devices = new HashSet<>();

  private Finder(LineReview line, Function<AxisReview, List<Prediction>> predictions) {
    line.axes().forEach(this::stations);
    line.axes().forEach(this::findings);
    for (AxisReview review : line.axes()) {
      AxisAssembly axis = review.assembly();
      if (axis != null) {
        devices(axis);
        predictions.apply(review).forEach(p -> prediction(axis, p));
        motion(axis);
        settings(axis);
        registers(axis);
        wires(axis);
        terminals(axis);
      }
    }
  }

  /**
   * All that is on a line.
   *
   * @param predictions what is predicted of an axis; none where it cannot be
   */
  public static Finder of(LineReview line, Function<AxisReview, List<Prediction>> predictions) {
    return new Finder(line, predictions);
  }

  /**
   * What fits all of the words, the best first; axes and stations where there are none.
   *
   * @param most how many at most
   */
  public List<Hit> find(String text, int most) {
    String plain = text.strip().toLowerCase(Locale.ROOT);
    Stream<Hit> found =
        plain.isEmpty()
            ? all.stream().filter(h -> h.kind().equals(STATION))
            : fitting(plain.split("\\s+"));
    return found.limit(most).toList();
  }

  private Stream<Hit> fitting(String[] words) {
    return all.stream()
        .filter(h -> h.fits(words) > 0)
        .sorted(Comparator.comparingInt((Hit h) -> -h.fits(words)));
  }

  private void stations(AxisReview review) {
    Axis axis = review.axis();
    for (WorkStep step : WorkStep.values()) {
      if (step == WorkStep.HAND_OVER) {
        // Not in this version.
        continue;
      }
      all.add(
          new Hit(
              STATION,
              "%s – %s".formatted(axis.name(), step.label()),
              "",
              new Target.Station(axis.id(), step)));
    }
  }

  private void findings(AxisReview review) {
    review
        .findings()
        .forEach(
            f ->
                all.add(
                    new Hit(
                        "finding",
                        "%s %s".formatted(f.rule().code(), f.seen()),
                        review.axis().name(),
                        new Target.Mending(review.axis().id(), f))));
  }

  /** A controller stands with the first axis that uses it. */
  private void devices(AxisAssembly axis) {
    Axis own = axis.axis();
    device(own, axis.controller(), axis.controllerSheet(), WorkStep.WIRE);
    device(own, axis.drive(), axis.driveSheet(), WorkStep.IDENTIFY);
    if (devices.add(axis.motor().id())) {
      all.add(
          new Hit(
              "motor",
              axis.motor().name(),
              own.name(),
              new Target.Station(own.id(), WorkStep.IDENTIFY)));
    }
    axis.parts().forEach(p -> device(own, p.part(), p.sheet(), WorkStep.WIRE));
  }

  private void device(Axis axis, Device device, DeviceSheet sheet, WorkStep step) {
    if (devices.add(device.id())) {
      all.add(
          new Hit(
              "device",
              device.name(),
              "%s, %s".formatted(device.id(), sheet.name()),
              new Target.Station(axis.id(), step)));
    }
  }

  private void motion(AxisAssembly axis) {
    if (axis.axis().motion() == null) {
      return;
    }
    String place = "axis/%s/motion/".formatted(axis.axis().id());
    List<Holder> holders =
        axis.isStepped()
            ? List.of(Holder.PROGRAM)
            : List.of(Holder.DRIVE, Holder.BUS, Holder.PROGRAM);
    if (axis.isStepped()) {
      all.add(
          new Hit(
              "coils",
              "Coils and switches of " + axis.axis().name(),
              "connection, phase current, pulses a turn, supply",
              new Target.InMotion(axis.axis().id(), place + "coils")));
    }
    for (Holder holder : holders) {
      all.add(
          new Hit(
              "scaling",
              "Scaling of the " + holder.label().toLowerCase(Locale.ROOT),
              axis.axis().name(),
              new Target.InMotion(
                  axis.axis().id(), place + "scaling/" + holder.name().toLowerCase(Locale.ROOT))));
    }
    all.add(
        new Hit(
            "moves",
            "Moves of " + axis.axis().name(),
            "velocity, acceleration, jerk, travel",
            new Target.InMotion(axis.axis().id(), place + "moves")));
  }

  private void prediction(AxisAssembly axis, Prediction prediction) {
    all.add(
        new Hit(
            "prediction",
            "%s: %s".formatted(prediction.group(), prediction.title()),
            "%s, %s"
                .formatted(axis.axis().name(), prediction.expectation().text(QuantityFormat.PLAIN)),
            new Target.Predicted(axis.axis().id(), prediction.key())));
  }

  private void settings(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      all.add(
          new Hit(
              "setting",
              "%s %s".formatted(setting.code(), setting.name()),
              "%s, %s"
                  .formatted(axis.axis().name(), SettingText.of(setting, settings.value(setting))),
              new Target.Setting(
                  axis.axis().id(),
                  "axis/%s/drive/%s".formatted(axis.axis().id(), setting.code()))));
    }
  }

  private void registers(AxisAssembly axis) {
    axis.record()
        .fieldbus()
        .registers()
        .forEach(
            e ->
                all.add(
                    new Hit(
                        "register",
                        "%s %s".formatted(e.where(), e.value().name()),
                        axis.axis().name(),
                        new Target.Station(axis.axis().id(), WorkStep.MAP))));
  }

  private void wires(AxisAssembly axis) {
    for (Wire wire : axis.wires()) {
      if (wires.add(wire.id())) {
        all.add(
            new Hit(
                "wire",
                "%s %s".formatted(wire.id(), wire.make().signal()).strip(),
                "%s – %s".formatted(wire.from(), wire.to()),
                new Target.OnBoard(axis.axis().id(), wire.id())));
      }
    }
  }

  /** Those that something ends on; a controller's stand with the first axis that uses them. */
  private void terminals(AxisAssembly axis) {
    for (Wire wire : axis.wires()) {
      for (TerminalRef ref : List.of(wire.from(), wire.to())) {
        if (terminals.add(ref)) {
          all.add(
              new Hit(
                  "terminal",
                  ref.toString(),
                  label(axis, ref),
                  new Target.OnBoard(axis.axis().id(), ref.toString())));
        }
      }
    }
  }

  private static String label(AxisAssembly axis, TerminalRef ref) {
    Stream<Terminal> known =
        ref.device().equals(axis.drive().id())
            ? axis.driveSheet().terminal(ref.terminal()).stream()
            : ref.device().equals(axis.controller().id())
                ? axis.controllerSheet().terminal(ref.terminal()).stream()
                : axis.parts().stream()
                    .filter(p -> p.part().id().equals(ref.device()))
                    .flatMap(p -> p.sheet().terminal(ref.terminal()).stream());
    return known.map(Terminal::label).findFirst().orElse("");
  }
}
