package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRemoval;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.SafetyNote;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopUse;
import unimotus.core.sheet.SheetCatalogue;

/** The named changes of stop functions and of what stays on record about them. */
public final class StopEdits {
  private StopEdits() {}

  /** Builds a stop by its intent. */
  public static Edit build(SheetCatalogue sheets, StopRequest request) {
    return new Edit(
        "build stop " + request.name(), p -> StopLinks.plan(p, sheets, request).project());
  }

  /** Builds a stop anew in another way; its use, load and name stay. */
  public static Edit rebuild(SheetCatalogue sheets, StopFunction stop, StopRequest request) {
    return new Edit("change stop " + stop.name(), p -> rebuilt(p, sheets, stop, request));
  }

  /**
   * A project with one stop built in another way.
   *
   * @throws IllegalArgumentException naming what is missing, where the devices cannot carry it
   */
  static Project rebuilt(
      Project project, SheetCatalogue sheets, StopFunction stop, StopRequest request) {
    Project bare = StopRemoval.removed(project, sheets, stop);
    Project next = StopLinks.plan(bare, sheets, request).project();
    List<StopFunction> kept = bare.stops();
    StopFunction made =
        next.stops().stream().filter(s -> !kept.contains(s)).findFirst().orElseThrow();
    return next.with(
        made.withUse(stop.use())
            .withLoad(stop.verticalLoad(), stop.holdingBrake())
            .withLinkMicrofarads(stop.linkMicrofarads()));
  }

  /** Removes a stop with the panel parts it is made of. */
  public static Edit remove(SheetCatalogue sheets, StopFunction stop) {
    return new Edit("remove stop " + stop.name(), p -> StopRemoval.removed(p, sheets, stop));
  }

  /** Calls a stop by another name. */
  public static Edit rename(StopFunction stop, String name) {
    return new Edit("rename stop " + stop.name(), p -> p.with(stop.withName(name)));
  }

  /** Sets how a stop is used. */
  public static Edit use(StopFunction stop, String what, StopUse use) {
    return new Edit("set " + what, p -> p.with(stop.withUse(use)));
  }

  /** Sets anything else of a stop but how it is built. */
  public static Edit change(StopFunction stop, String what) {
    return new Edit("set " + what, p -> p.with(stop));
  }

  /** Writes something on record. */
  public static Edit note(SafetyNote note) {
    String name =
        note.kind() == SafetyNote.Kind.BYPASS ? "record a bypass" : "record a reason to go on";
    return new Edit(
        name,
        p -> {
          List<SafetyNote> next = new ArrayList<>(p.notes());
          next.add(note);
          return p.withNotes(next);
        });
  }

  /** Records that a bypass is gone; the record itself stays. */
  public static Edit removeBypass(SafetyNote note, String who, String when) {
    return new Edit(
        "record a bypass as removed",
        p -> {
          List<SafetyNote> next = new ArrayList<>(p.notes());
          next.replaceAll(n -> n.equals(note) ? n.removed(who, when) : n);
          return p.withNotes(next);
        });
  }
}
