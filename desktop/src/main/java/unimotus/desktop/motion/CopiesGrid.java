package unimotus.desktop.motion;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.geometry.VPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingDifference;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.MotionEdits;

/** The copies of one scaling in columns, a row for each field, and what follows from them. */
final class CopiesGrid extends GridPane {
  private static final List<MeasureUnit> UNITS =
      List.of(
          MeasureUnit.MILLIMETRE,
          MeasureUnit.MICROMETRE,
          MeasureUnit.METRE_UNIT,
          MeasureUnit.INCH,
          MeasureUnit.DEGREE,
          MeasureUnit.REVOLUTION,
          MeasureUnit.ONE);
  private static final double NAME_WIDTH = 132;
  private static final int WIDE = 8;
  private static final int MIDDLE = 5;
  private static final int NARROW = 3;

  private final Desk desk;

  CopiesGrid(Desk desk) {
    this.desk = desk;
    setHgap(10);
    setVgap(5);
    setId("scaling-copies");
    ColumnConstraints names = new ColumnConstraints();
    names.setMinWidth(NAME_WIDTH);
    getColumnConstraints().add(names);
  }

  private void columns(int copies) {
    getColumnConstraints().remove(1, getColumnConstraints().size());
    for (int i = 0; i < copies; i++) {
      ColumnConstraints copy = new ColumnConstraints();
      copy.setHgrow(Priority.ALWAYS);
      copy.setPercentWidth(20);
      getColumnConstraints().add(copy);
    }
  }

  void show(PositionedAxis axis) {
    getChildren().clear();
    columns(axis.holders().size());
    String counted =
        axis.counted().substring(0, 1).toUpperCase(Locale.ROOT) + axis.counted().substring(1);
    names(
        "",
        counted + " / motor turns",
        "Gear, motor / output",
        "Feed / output turns",
        "Unit",
        "Positive",
        "Speeds in",
        counted + " for 1 " + (axis.unit().symbol().isEmpty() ? "unit" : axis.unit().symbol()),
        axis.holders().contains(Holder.DRIVE) ? "One count" : "One pulse",
        "Against the machine");
    for (Holder holder : axis.holders()) {
      int column = axis.holders().indexOf(holder) + 1;
      add(
          Parts.column(
              0,
              Parts.label(label(axis, holder), "ink-strong"),
              Parts.prose(where(axis, holder), "ink-label")),
          column,
          0);
      Optional<AxisScaling> copy = axis.copies().of(holder);
      if (copy.isEmpty()) {
        unread(axis, holder, column);
      } else if (holder == Holder.MACHINE) {
        machine(copy.get(), column);
      } else {
        read(axis, holder, copy.get(), column);
      }
    }
  }

  private static boolean isStepped(PositionedAxis axis) {
    return axis instanceof StepAxis;
  }

  private static String label(PositionedAxis axis, Holder holder) {
    return isStepped(axis) && holder == Holder.PROGRAM ? "Program" : holder.label();
  }

  private static String where(PositionedAxis axis, Holder holder) {
    if (!isStepped(axis)) {
      return holder.where();
    }
    return holder == Holder.MACHINE
        ? "switches of the driver and mechanics"
        : "pulses in the controller's program";
  }

  private void names(String... names) {
    for (int i = 0; i < names.length; i++) {
      Label name = Parts.label(names[i], "ink-label");
      GridPane.setValignment(name, VPos.CENTER);
      add(name, 0, i);
    }
  }

  private void unread(PositionedAxis axis, Holder holder, int column) {
    add(
        Parts.column(
            6,
            Parts.label("not read", "ink-attention"),
            Parts.action(
                "read-" + key(holder),
                "Enter it",
                () -> desk.apply(MotionEdits.scaling(axis.axis().id(), holder, axis.machine()))),
            Parts.prose("begins with the machine's figures", "ink-label")),
        column,
        1,
        1,
        5);
  }

  private void machine(AxisScaling copy, int column) {
    Function<Long, String> whole =
        n -> QuantityFormat.PLAIN.text(n, MeasureUnit.COUNTS).replace(" counts", "");
    List<String> texts =
        List.of(
            whole.apply(copy.counts()) + " / " + copy.encoderTurns(),
            copy.motorTurns() + " / " + copy.loadTurns(),
            copy.feed().toPlainString() + " / " + copy.feedTurns(),
            unit(copy.unit()),
            "forwards",
            time(copy.time()));
    for (int i = 0; i < texts.size(); i++) {
      add(Parts.label(texts.get(i), "ink-live"), column, i + 1);
    }
    follows(copy, column, "", false);
  }

  private void read(PositionedAxis axis, Holder holder, AxisScaling copy, int column) {
    Row row = new Row(axis.axis().id(), holder, column);
    row.pair(
        1,
        row.whole("counts", copy.counts(), WIDE, copy::withCounts),
        row.whole("encoder turns", copy.encoderTurns(), NARROW, copy::withEncoderTurns));
    row.pair(
        2,
        row.whole("motor turns", copy.motorTurns(), MIDDLE, copy::withMotorTurns),
        row.whole("output turns", copy.loadTurns(), MIDDLE, copy::withLoadTurns));
    row.pair(
        3,
        row.exact("feed", copy.feed(), WIDE, copy::withFeed),
        row.whole("feed turns", copy.feedTurns(), NARROW, copy::withFeedTurns));
    row.choice("unit", UNITS, CopiesGrid::unit, copy.unit(), 4, copy::withUnit);
    row.choice(
        "direction",
        List.of(false, true),
        r -> r ? "backwards" : "forwards",
        copy.reversed(),
        5,
        copy::withReversed);
    row.choice(
        "time",
        List.of(MeasureUnit.SECOND_UNIT, MeasureUnit.MINUTE_UNIT),
        CopiesGrid::time,
        copy.time(),
        6,
        copy::withTime);
    ScalingDifference difference = axis.copies().againstMachine(holder).orElseThrow();
    follows(copy, column, verdict(difference), !difference.isEqual());
    add(
        Parts.quiet(
            "unread-" + key(holder),
            "set to not read",
            () -> desk.apply(MotionEdits.unread(axis.axis().id(), holder))),
        column,
        10);
  }

  private void follows(AxisScaling copy, int column, String verdict, boolean differs) {
    String ink = differs ? "ink-attention" : "ink-live";
    Label counts =
        Parts.label(QuantityFormat.PLAIN.number(copy.countsPerUnit().doubleValue()), ink);
    counts.setId("counts-per-unit-" + column);
    add(counts, column, 7);
    add(Parts.label(QuantityFormat.PLAIN.text(copy.resolution(), copy.unit()), ink), column, 8);
    Label against = Parts.prose(verdict, ink);
    against.setId("against-" + column);
    GridPane.setValignment(against, VPos.TOP);
    add(against, column, 9);
  }

  private static String verdict(ScalingDifference difference) {
    if (difference.isEqual()) {
      return "equal";
    }
    return "%s times; %s"
        .formatted(
            QuantityFormat.PLAIN.number(difference.ratio().doubleValue()),
            difference.causes().stream()
                .map(c -> "%s: %s".formatted(c.kind().label(), c.seen()))
                .collect(Collectors.joining("; ")));
  }

  private static String unit(MeasureUnit unit) {
    return unit == MeasureUnit.ONE ? "units" : unit.symbol();
  }

  private static String time(MeasureUnit unit) {
    return unit == MeasureUnit.MINUTE_UNIT ? "per minute" : "per second";
  }

  private static String key(Holder holder) {
    return holder.name().toLowerCase(Locale.ROOT);
  }

  /** The fields of one copy. */
  private final class Row {
    private final String axisId;
    private final Holder holder;
    private final int column;

    Row(String axisId, Holder holder, int column) {
      this.axisId = axisId;
      this.holder = holder;
      this.column = column;
    }

    WordField whole(String name, long value, int columns, Function<Long, AxisScaling> with) {
      return exact(
          name,
          BigDecimal.valueOf(value),
          columns,
          v -> {
            try {
              return with.apply(v.longValueExact());
            } catch (ArithmeticException broken) {
              throw new IllegalArgumentException(
                  "%s must be a whole number, not %s".formatted(name, v.toPlainString()), broken);
            }
          });
    }

    /** Every digit counts here, so the number is read and shown as it was typed. */
    WordField exact(
        String name, BigDecimal value, int columns, Function<BigDecimal, AxisScaling> with) {
      WordField field =
          new WordField(
              "%s-%s".formatted(key(holder), name.replace(' ', '-')),
              of(name),
              value.toPlainString(),
              columns,
              words -> take(() -> with.apply(number(name, words))));
      field.setMinWidth(0);
      HBox.setHgrow(field, Priority.ALWAYS);
      return field;
    }

    void pair(int row, WordField first, WordField second) {
      add(Parts.row(3, first, Parts.label("/", "ink-label"), second), column, row);
    }

    private String of(String name) {
      return "%s of the %s".formatted(name, holder.label().toLowerCase(Locale.ROOT));
    }

    private static BigDecimal number(String name, String words) {
      try {
        return new BigDecimal(
            words.strip().replace("\u202f", "").replace(" ", "").replace(',', '.'));
      } catch (NumberFormatException none) {
        throw new IllegalArgumentException(
            "%s: '%s' is not a number; write it like 131072 or 188.4956"
                .formatted(name, words.strip()),
            none);
      }
    }

    private void take(java.util.function.Supplier<AxisScaling> copy) {
      try {
        desk.apply(MotionEdits.scaling(axisId, holder, copy.get()));
      } catch (IllegalArgumentException refused) {
        desk.refuse(refused.getMessage());
        desk.refresh();
      }
    }

    <T> void choice(
        String name,
        List<T> options,
        Function<T, String> words,
        T chosen,
        int row,
        Function<T, AxisScaling> with) {
      ChoiceField<T> field =
          new ChoiceField<>(
              of(name),
              options,
              words,
              v -> desk.apply(MotionEdits.scaling(axisId, holder, with.apply(v))));
      field.setMaxWidth(Double.MAX_VALUE);
      field.show(chosen);
      field.setId("%s-%s".formatted(key(holder), name.replace(' ', '-')));
      add(field, column, row);
    }
  }
}
