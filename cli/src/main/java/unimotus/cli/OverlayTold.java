package unimotus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.Count;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.servo.RecordedMotion;
import unimotus.core.servo.TraceOverlay;
import unimotus.core.servo.TraceOverlay.Repeat;
import unimotus.formats.trace.MotionCsv;
import unimotus.workbench.live.ServoTrial;

/** A recording, or a run of the simulated drive, over what was predicted. */
record OverlayTold(ServoAxis axis, TraceOverlay overlay, String source, String fault) {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;
  private static final double AFTERWARDS = 0.3;

  static OverlayTold of(ServoAxis axis, @Nullable Integer times, @Nullable Path file)
      throws IOException {
    if (file != null && times != null) {
      throw new IllegalArgumentException("--run and --recorded: one of them at a time");
    }
    if (file != null) {
      RecordedMotion motion =
          MotionCsv.read(file.toString(), Files.readAllBytes(file), axis.unit());
      return laid(axis, motion, file.toString(), "");
    }
    ServoTrial trial = ServoTrial.run(axis, times == null ? 1 : times);
    return laid(axis, trial.motion(), "the simulated drive", trial.faultText());
  }

  private static OverlayTold laid(
      ServoAxis axis, RecordedMotion motion, String source, String fault) {
    TraceOverlay overlay =
        TraceOverlay.of(
            motion,
            axis.run(axis.gains(), AFTERWARDS),
            axis.radiansPerUnit(),
            axis.plan().seconds());
    return new OverlayTold(axis, overlay, source, fault);
  }

  /** Tells it; 0 where every repeat is as predicted, else 1. */
  int tell(Output output) {
    if (output.isJson()) {
      output.document(document());
    } else {
      print(output);
    }
    return overlay.holds() && fault.isEmpty() ? 0 : 1;
  }

  private void print(Output output) {
    Columns columns = new Columns("  ", Set.of(0, 1, 2, 3, 4));
    output
        .text()
        .printf(
            "%s of %s, from %s%n",
            Count.of(overlay.repeats().size(), "repeat"), axis.axis().name(), source);
    columns.row("begins", "way", "ends at", "differs by", "after", "");
    for (Repeat each : overlay.repeats()) {
      columns.row(
          PLAIN.text(each.begins(), MeasureUnit.SECOND_UNIT),
          PLAIN.number(each.ratio()),
          text(each.end()),
          text(each.difference()),
          PLAIN.text(each.differsAt(), MeasureUnit.SECOND_UNIT),
          overlay.seen(each));
    }
    columns.print(output.text());
    output.text().printf("  within %s is as predicted%n", text(overlay.tolerance()));
    if (!Double.isNaN(overlay.spread())) {
      output.text().printf("  the ends lie %s apart%n", text(overlay.spread()));
    }
    if (!fault.isEmpty()) {
      output.text().printf("  %s%n", fault);
    }
  }

  private String text(double value) {
    return PLAIN.text(value, axis.unit());
  }

  private Map<String, Object> document() {
    Map<String, Object> document = new LinkedHashMap<>();
    document.put("axis", axis.axis().id());
    document.put("source", source);
    document.put("unit", axis.unit().symbol());
    document.put("tolerance", overlay.tolerance());
    document.put("fault", fault);
    document.put(
        "repeats",
        overlay.repeats().stream()
            .map(
                r ->
                    Map.<String, Object>of(
                        "begins", r.begins(),
                        "whole", r.whole(),
                        "way", r.ratio(),
                        "end", r.end(),
                        "difference", r.difference(),
                        "seen", overlay.seen(r)))
            .toList());
    return document;
  }
}
