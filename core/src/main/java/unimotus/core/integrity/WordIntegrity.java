package unimotus.core.integrity;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.safety.CommonCause;
import unimotus.core.value.ValueRole;

/** Words of a project that the program reasons with and does not know. */
final class WordIntegrity {
  private final Project project;
  private final Integrity found;

  WordIntegrity(Project project, Integrity found) {
    this.project = project;
    this.found = found;
  }

  void check() {
    project
        .records()
        .forEach(
            r ->
                r.fieldbus()
                    .profileFault()
                    .ifPresent(
                        fault ->
                            found.add(
                                r.drive(),
                                Rule.WORD_PROFILE,
                                "records/%s/fieldbus".formatted(r.drive()),
                                fault,
                                "What the control word commands and the status word says is not known.",
                                "Choose a profile at the station Map, or complete the words of the manual.")));
    project.records().forEach(this::checkMode);
    project.stops().forEach(this::checkMeasures);
  }

  /** In homing or positioning the number in the register of the reference is no speed. */
  private void checkMode(DriveRecord record) {
    Optional<RegisterEntry> reference = record.fieldbus().map().entry(ValueRole.REFERENCE);
    record
        .fieldbus()
        .usableProfile()
        .filter(p -> reference.isPresent() && !p.commandsSpeed())
        .ifPresent(
            p ->
                found.add(
                    record.drive(),
                    Rule.WORD_PROFILE,
                    "records/%s/fieldbus".formatted(record.drive()),
                    "The words are of the %s mode, and %s is the reference."
                        .formatted(p.mode().label(), reference.get().name()),
                    "In this mode a drive takes no speed from it: what is written there is ignored or means something else.",
                    "Choose the words of velocity or profile velocity mode at the station Map, or take the role from the register."));
  }

  private void checkMeasures(StopFunction stop) {
    List<String> unknown =
        stop.use().commonCause().stream().filter(m -> !CommonCause.isKnown(m)).toList();
    if (!unknown.isEmpty()) {
      found.addToAxis(
          stop.axis(),
          Severity.ERROR,
          Rule.NAME_LEADS_NOWHERE,
          "stops/" + stop.id(),
          "%s counts on measures that are not known: %s; known are %s"
              .formatted(stop.name(), String.join(", ", unknown), known()),
          "An unknown measure gives no points against common cause failures.",
          "Choose the measures again at Make safe.");
    }
  }

  private static String known() {
    return Arrays.stream(CommonCause.values()).map(Enum::name).collect(Collectors.joining(", "));
  }
}
