package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.ProofList;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.QuantityFormat;
import unimotus.formats.proof.ReadingCsv;

/** The list of what is to be seen of an axis out to a file, and what was measured in from it. */
public final class ReadingLists {
  private static final long LARGEST_BYTES = 16L << 20;

  private ReadingLists() {}

  /**
   * What was read.
   *
   * @param readings those that are new or differ from what is on record
   * @param notes those on record beside which something else is written now
   * @param problems lines that could not be used, and why
   */
  public record Read(List<Reading> readings, List<Reading> notes, List<String> problems) {
    /** Takes copies. */
    public Read {
      readings = List.copyOf(readings);
      notes = List.copyOf(notes);
      problems = List.copyOf(problems);
    }
  }

  /**
   * Writes the list in an order, blank where nothing was measured yet.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(List<Verdict> verdicts, Path file) throws IOException {
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      ReadingCsv.write(verdicts, out);
    }
  }

  /**
   * Writes the list to be taken along on paper, with blanks: {@code .pdf}, or {@code .txt}.
   *
   * @throws IllegalArgumentException where the name says neither
   * @throws IOException where it cannot be written
   */
  public static void print(
      String line, String axis, List<ProveWalk.Stop> stops, QuantityFormat format, Path file)
      throws IOException {
    List<ProofList.Row> rows = new ArrayList<>();
    for (ProveWalk.Stop stop : stops) {
      for (Verdict verdict : stop.verdicts()) {
        rows.add(ProofList.row(rows.size() + 1, stop.title(), verdict, format));
      }
    }
    ProofLists.write(
        new ProofList("Readings to take", line, axis, ProofList.CAUTIONS, rows, List.of()), file);
  }

  /**
   * Reads a list that was filled in.
   *
   * @param by who measured
   * @throws IllegalArgumentException where the file is too large or nobody measured
   * @throws IOException where it is no such list or cannot be read
   */
  public static Read read(Path file, Evidence evidence, DisplayUnits units, String by, Clock clock)
      throws IOException {
    if (by.isBlank()) {
      throw new IllegalArgumentException("enter your name first: it is recorded with the readings");
    }
    String name = String.valueOf(file.getFileName());
    if (Files.size(file) > LARGEST_BYTES) {
      throw new IllegalArgumentException(
          "%s: %d MB is more than the %d MB a list may have"
              .formatted(name, Files.size(file) >> 20, LARGEST_BYTES >> 20));
    }
    List<Reading> readings = new ArrayList<>();
    List<Reading> notes = new ArrayList<>();
    List<String> problems = new ArrayList<>();
    for (ReadingCsv.Line line : ReadingCsv.read(name, Files.readAllBytes(file))) {
      Optional<Verdict> verdict = find(evidence, line.key());
      if (verdict.isEmpty()) {
        problems.add(
            "line %d: '%s' is no prediction of this axis".formatted(line.number(), line.key()));
        continue;
      }
      if (line.measured().isEmpty()) {
        problems.add(
            "line %d: '%s' has a note but nothing was measured"
                .formatted(line.number(), line.key()));
        continue;
      }
      if (isAnnotated(line, verdict.get())) {
        Reading before = Objects.requireNonNull(verdict.get().reading());
        notes.add(before.with().note(line.note()).photo(line.photo()).build());
      }
      if (line.measured().equals(ReadingCsv.text(verdict.get().reading()))) {
        // What came back as it was written is no new measurement, of an old design least of all.
        if (!verdict.get().changed().isEmpty()) {
          problems.add(
              "line %d: %s of '%s' was measured before the design changed: measure it again"
                  .formatted(line.number(), line.measured(), line.key()));
        }
        continue;
      }
      try {
        Reading reading = reading(line, verdict.get().prediction(), evidence, units, by, clock);
        if (!isOnRecord(verdict.get(), reading)) {
          readings.add(reading);
        }
      } catch (IllegalArgumentException unusable) {
        problems.add("line %d: %s".formatted(line.number(), unusable.getMessage()));
      }
    }
    return new Read(readings, notes, problems);
  }

  private static Optional<Verdict> find(Evidence evidence, String key) {
    return evidence.proof().verdicts().stream()
        .filter(v -> v.prediction().key().equals(key))
        .findFirst();
  }

  private static Reading reading(
      ReadingCsv.Line line,
      Prediction prediction,
      Evidence evidence,
      DisplayUnits units,
      String by,
      Clock clock) {
    String instrument = line.instrument().isEmpty() ? prediction.instrument() : line.instrument();
    Reading reading = evidence.reading(prediction, line.typed(), units, instrument, by, clock);
    return reading.with().note(line.note()).photo(line.photo()).build();
  }

  /** Whether the line is the reading on record with something else written beside it. */
  private static boolean isAnnotated(ReadingCsv.Line line, Verdict verdict) {
    Reading before = verdict.reading();
    return before != null
        && verdict.changed().isEmpty()
        && line.measured().equals(ReadingCsv.text(before))
        && !(line.note().equals(Objects.requireNonNullElse(before.note(), ""))
            && line.photo().equals(Objects.requireNonNullElse(before.photo(), "")));
  }

  /** What was written with the list and came back unchanged is not measured again. */
  private static boolean isOnRecord(Verdict verdict, Reading reading) {
    Reading before = verdict.reading();
    return before != null
        && verdict.changed().isEmpty()
        && Objects.equals(before.amount(), reading.amount())
        && Objects.equals(before.word(), reading.word());
  }

  /** Puts what was read on record. */
  public static Edit record(Read read, String from) {
    return new Edit(
        "read readings from " + from,
        project -> {
          var next = project;
          for (Reading reading : read.readings()) {
            next = next.with(reading);
          }
          for (Reading noted : read.notes()) {
            next =
                next.withReadings(
                    next.readings().stream().map(r -> isSame(r, noted) ? noted : r).toList());
          }
          return next;
        });
  }

  private static boolean isSame(Reading one, Reading other) {
    return one.with().note("").photo("").build().equals(other.with().note("").photo("").build());
  }
}
