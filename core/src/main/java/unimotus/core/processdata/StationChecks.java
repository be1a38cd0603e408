package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;

/** What of the stations of a process-data fieldbus cannot be as it is designed. */
public final class StationChecks {

  /**
   * A finding of a station.
   *
   * @param drive id of the drive it leads to; empty for none
   * @param finding what was found
   */
  public record Found(String drive, Finding finding) {}

  /** The place of what is found of the cycle, beside those of the stations. */
  public static final String CYCLE = "stations/*cycle";

  private final Project project;
  private final DescriptionCatalogue catalogue;
  private final List<Found> found = new ArrayList<>();

  private StationChecks(Project project, DescriptionCatalogue catalogue) {
    this.project = project;
    this.catalogue = catalogue;
  }

  /** Looks over all stations of a project; possibly nothing is found. */
  public static List<Found> check(Project project, DescriptionCatalogue catalogue) {
    StationChecks checks = new StationChecks(project, catalogue);
    checks.aliases();
    checks.drives();
    project.stations().forEach(checks::station);
    checks.cycle();
    return List.copyOf(checks.found);
  }

  private void add(
      BusStation station, Severity severity, Rule rule, String seen, String why, String remedy) {
    found.add(
        new Found(
            station.drive(),
            new Finding(
                severity,
                rule,
                "stations/" + station.id(),
                "%s: %s".formatted(station.name(), seen),
                why,
                remedy)));
  }

  private void cycle() {
    LineCycle.of(project, catalogue).map(LineCycle::doubts).orElse(List.of()).stream()
        .map(
            d ->
                new Finding(
                    d.severity(),
                    Rule.BUS_CYCLE,
                    CYCLE,
                    d.seen(),
                    "Frames come late, or drives run unevenly or stop.",
                    d.remedy()))
        .forEach(f -> found.add(new Found("", f)));
  }

  private void aliases() {
    Map<Integer, BusStation> first = new HashMap<>();
    for (BusStation station : project.stations()) {
      BusStation other = station.alias() == 0 ? null : first.putIfAbsent(station.alias(), station);
      if (other != null) {
        add(
            station,
            Severity.ERROR,
            Rule.STATION_ALIAS,
            "alias %d is that of %s as well".formatted(station.alias(), other.name()),
            "Both answer at one address, and neither is understood.",
            "Give each station an alias of its own, or 0 for none.");
      }
    }
  }

  private void drives() {
    Map<String, BusStation> first = new HashMap<>();
    for (BusStation station : project.stations()) {
      String drive = station.drive();
      if (drive.isEmpty()) {
        continue;
      }
      if (project.drive(drive).isEmpty()) {
        add(
            station,
            Severity.ERROR,
            Rule.STATION_DRIVE,
            "it leads to drive '%s', which is not there".formatted(drive),
            "Nothing of it counts for an axis.",
            "Choose the drive that is behind it, or none.");
      }
      BusStation other = first.putIfAbsent(drive, station);
      if (other != null) {
        add(
            station,
            Severity.ERROR,
            Rule.STATION_DRIVE,
            "it leads to drive %s, and so does %s".formatted(drive, other.name()),
            "Which of them commands the drive is not known; nothing is told of its axis.",
            "Let one of them lead to it.");
      }
    }
  }

  private void station(BusStation station) {
    StationDesign design = StationDesign.of(station, catalogue);
    StationSetup setup = design.setup();
    if (setup == null) {
      add(
          station,
          Severity.ERROR,
          Rule.STATION_UNKNOWN,
          design.obstacle(),
          "Image, start-up list and states of a device that is not described are not known.",
          "Get the description of this very revision, or choose the revision that is fitted.");
      return;
    }
    for (SetupDoubt doubt : setup.doubts()) {
      add(
          station,
          Severity.ERROR,
          Rule.STATION_SETUP,
          doubt.seen(),
          "The device does not take it: it does not reach SAFE-OP, or its image is another one.",
          doubt.remedy());
    }
    startUp(station, design, setup);
    DriveImage.of(design)
        .flatMap(DriveImage::modeFault)
        .ifPresent(
            fault ->
                add(
                    station,
                    Severity.ERROR,
                    Rule.MODE_TARGET,
                    fault,
                    "The drive is in OP and enabled, and does not follow.",
                    "Take the process data object with that target into the image, or choose the mode that fits."));
  }

  private void startUp(BusStation station, StationDesign design, StationSetup setup) {
    StartUpCheck check = StartUpCheck.of(setup, design.startUp());
    for (StartUpCheck.Row row : check.refused()) {
      ObjectAbort abort = row.abort();
      add(
          station,
          Severity.ERROR,
          Rule.START_UP_REFUSED,
          "start-up %d, %s: %s%s"
              .formatted(
                  row.number(),
                  row.command().object(),
                  row.why(),
                  abort == null ? "" : " (abort 0x%08X)".formatted(abort.code())),
          "It is refused at every power-up; whether the start ends there is the controller's choice.",
          "Correct it, or take it out of the list.");
    }
    for (StartUpCheck.Row row : check.undetermined()) {
      add(
          station,
          Severity.NOTE,
          Rule.START_UP_UNTOLD,
          "start-up %d, %s: %s".formatted(row.number(), row.command().object(), row.why()),
          "Whether the device takes it shows at the first start only.",
          "Look at the answer at the first start, or find the object in the manual.");
    }
  }
}
