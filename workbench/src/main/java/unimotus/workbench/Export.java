package unimotus.workbench;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.program.FunctionBlock;
import unimotus.core.proof.ProofList;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.schedule.WireSchedule;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.Journey;
import unimotus.core.settings.RecordChecks;
import unimotus.core.sheet.SheetCatalogue;

/** What can be written of a project, each kind with what it needs and the files it makes. */
public enum Export {
  SCHEDULE("schedule", ".csv, .xlsx", "wires", Needs.LINE) {
    @Override
    int write(Source from, Path out) throws IOException {
      WireSchedule schedule = WireSchedule.of(from.project(), from.sheets());
      Schedules.write(schedule, out);
      return schedule.rows().size();
    }
  },
  PROOF_LIST("proof-list", ".pdf, .txt", "tests", Needs.PATH) {
    @Override
    int write(Source from, Path out) throws IOException {
      Evidence evidence = Evidence.of(from.project(), from.axis());
      ProofList list = StopProof.list(from.project(), evidence, QuantityFormat.PLAIN);
      ProofLists.write(list, out);
      return list.rows().size();
    }
  },
  READINGS("readings", ".csv", "rows", Needs.PATH) {
    @Override
    int write(Source from, Path out) throws IOException {
      List<Verdict> verdicts = Evidence.of(from.project(), from.axis()).proof().verdicts();
      ReadingLists.write(verdicts, out);
      return verdicts.size();
    }
  },
  SETTINGS("settings", ".csv", "settings", Needs.DEVICES) {
    @Override
    int write(Source from, Path out) throws IOException {
      AxisAssembly axis = from.devices();
      SettingLists.write(out, axis.driveSheet(), RecordChecks.designed(axis));
      return axis.driveSheet().settings().size();
    }
  },
  ENTRY_SHEET("entry-sheet", ".csv", "entries", Needs.DEVICES) {
    @Override
    int write(Source from, Path out) throws IOException {
      AxisAssembly axis = from.devices();
      DriveMemory works = DriveMemory.works(axis.driveSheet());
      Journey journey = Journey.of(axis, works, EntrySheet.Way.KEYPAD);
      SettingLists.write(out, journey);
      return journey.entry().steps().size();
    }
  },
  REGISTERS("registers", ".csv", "registers", Needs.DEVICES) {
    @Override
    int write(Source from, Path out) throws IOException {
      RegisterMap map = from.devices().record().fieldbus().map();
      RegisterLists.write(out, map);
      return map.entries().size();
    }
  },
  CONTROLLER("controller", ".st, PLCopen .xml, variables .csv", "statements", Needs.DEVICES) {
    @Override
    int write(Source from, Path out) throws IOException {
      AxisAssembly axis = from.devices();
      int drives =
          (int)
              from.project().records().stream()
                  .filter(r -> !r.fieldbus().registers().isEmpty())
                  .count();
      RegisterMap map = axis.record().fieldbus().map();
      FunctionBlock block =
          ControllerCode.block(axis, from.axis().path(), ControllerCode.usualWatch(map, drives));
      ControllerCode.write(out, axis, block, from.clock());
      return block.body().size();
    }
  },
  PROCESS_DATA("process-data", ".csv", "places", Needs.LINE) {
    @Override
    int write(Source from, Path out) throws IOException {
      return StationLists.writeImages(out, from.project(), from.sheets().descriptions());
    }
  },
  START_UP("start-up", ".csv", "objects", Needs.LINE) {
    @Override
    int write(Source from, Path out) throws IOException {
      return StationLists.writeStartUp(out, from.project(), from.sheets().descriptions());
    }
  };

  /** What has to be there. */
  public enum Needs {
    /** The line alone. */
    LINE,
    /** An axis with all its devices. */
    DEVICES,
    /** An axis with a signal path. */
    PATH
  }

  /**
   * What is written from.
   *
   * @param review the axis; null for what is written of the whole line
   * @param clock tells when it is written
   */
  public record Source(
      Project project, SheetCatalogue sheets, @Nullable AxisReview review, Clock clock) {

    AxisReview axis() {
      return Objects.requireNonNull(review);
    }

    AxisAssembly devices() {
      return Objects.requireNonNull(axis().assembly());
    }
  }

  private final String word;
  private final String files;
  private final String counted;
  private final Needs needs;

  Export(String word, String files, String counted, Needs needs) {
    this.word = word;
    this.files = files;
    this.counted = counted;
    this.needs = needs;
  }

  abstract int write(Source from, Path out) throws IOException;

  /**
   * Writes it, as the file is named.
   *
   * @return how many of {@link #counted} there are
   * @throws IllegalArgumentException where something it needs is missing, naming it
   * @throws IOException where the file cannot be written
   */
  public int to(Path out, Source from) throws IOException {
    if (needs != Needs.LINE) {
      check(from.review());
    }
    return write(from, out);
  }

  private void check(@Nullable AxisReview axis) {
    if (axis == null) {
      throw new IllegalArgumentException("%s is written of an axis: name the axis".formatted(word));
    }
    if (axis.assembly() == null || needs == Needs.PATH && axis.path() == null) {
      throw new IllegalArgumentException(
          "axis '%s' has no %s yet: %s"
              .formatted(
                  axis.axis().name(),
                  axis.assembly() == null ? "devices" : "signal path",
                  axis.whyNoPath()));
    }
  }

  /** The word for it on the command line. */
  public String word() {
    return word;
  }

  /** What of it is counted, in words. */
  public String counted() {
    return counted;
  }

  /** What it needs. */
  public Needs needs() {
    return needs;
  }

  /** The kind of a word; empty where there is none. */
  public static Optional<Export> of(String word) {
    return Arrays.stream(values()).filter(e -> e.word.equals(word)).findFirst();
  }

  /** All words, one after the other. */
  public static String words() {
    return List.of(values()).stream().map(Export::word).collect(Collectors.joining(", "));
  }

  /** All words with the files they make. */
  public static String choices() {
    return List.of(values()).stream()
        .map(e -> "%s (%s)".formatted(e.word, e.files))
        .collect(Collectors.joining(", "));
  }
}
