package unimotus.core.integrity;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.safety.CommonCause;

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
    project.stops().forEach(this::checkMeasures);
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
          "Choose the measures anew at the station Make safe.");
    }
  }

  private static String known() {
    return Arrays.stream(CommonCause.values()).map(Enum::name).collect(Collectors.joining(", "));
  }
}
