package unimotus.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Device;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.Terminal;

/**
 * What an edit leaves alone is taken over from the review before; what comes of it must be what a
 * look at the whole line from nothing finds, whatever was edited.
 */
class TakingOverTest {
  private static final int EDITS = 150;

  private final Random random = new Random(16);

  /** Two axes with a controller each, a third that shares the first one's, and supplies apart. */
  private static Project line() {
    Project one =
        Lines.with(
            Lines.bare("controller-modular", "terminal-drive-4kw"),
            CommonLink.TWO_WIRE,
            Links.ANALOG_REFERENCE);
    Axis belt = one.axes().get(0);
    Project project = one.with(new Controller("plc2", "Other", "controller-modular", Map.of()));
    for (String id : List.of("second", "third")) {
      project =
          project
              .with(new Drive("d-" + id, "Drive " + id, "terminal-drive-4kw", Map.of(), Map.of()))
              .with(new Motor("m-" + id, "Motor " + id, Fixtures.PLATE))
              .with(
                  new Axis(
                      id,
                      id,
                      "",
                      id.equals("second") ? "plc2" : "plc",
                      "d-" + id,
                      "m-" + id,
                      new Reference(null, null, 0, 25, 0, 50, 27648, 0.05),
                      new Answer(null, null, 25, 27648),
                      belt.mechanics(),
                      belt.load()));
    }
    return project
        .with(new Part("panel", "Panel", "supply-24v-5a", Map.of()))
        .with(new Part("lamps", "Lamps", "supply-24v-5a", Map.of()));
  }

  @Test
  void takingOverFindsWhatALookFromNothingFinds() {
    Project project = line();
    LineReview review = LineReview.of(project, Lines.SHEETS);
    int told = 0;
    for (int edit = 0; edit < EDITS; edit++) {
      project = edited(project);
      review = LineReview.of(project, Lines.SHEETS, review);
      LineReview fresh = LineReview.of(project, Lines.SHEETS);
      assertThat(review.findings()).as("edit %d", edit).isEqualTo(fresh.findings());
      assertThat(review.line()).as("edit %d", edit).isEqualTo(fresh.line());
      told += review.line().size();
    }
    assertThat(told).as("findings of no axis in all, so that they are compared too").isPositive();
  }

  private Project edited(Project project) {
    return switch (random.nextInt(5)) {
      case 0 -> project.wires().isEmpty() ? project : without(project);
      case 1, 2 -> joined(project, anywhere(project), anywhere(project));
      case 3 -> switched(project, any(project.devices()));
      default -> set(project, any(project.drives()));
    };
  }

  private static Project joined(Project project, TerminalRef from, TerminalRef to) {
    return from.equals(to) ? project : project.with(new Wire(newId(project), from, to));
  }

  private static String newId(Project project) {
    int number = project.wires().size();
    while (isTaken(project, "e" + number)) {
      number++;
    }
    return "e" + number;
  }

  private static boolean isTaken(Project project, String id) {
    return project.wires().stream().anyMatch(w -> w.id().equals(id));
  }

  private Project without(Project project) {
    List<Wire> rest = new ArrayList<>(project.wires());
    rest.remove(random.nextInt(rest.size()));
    return project.withWires(rest);
  }

  private TerminalRef anywhere(Project project) {
    Device device = any(project.devices());
    List<Terminal> terminals = Lines.SHEETS.find(device.sheet()).orElseThrow().terminals();
    return new TerminalRef(device.id(), any(terminals).id());
  }

  private Project switched(Project project, Device device) {
    List<Selector> selectors = Lines.SHEETS.find(device.sheet()).orElseThrow().selectors();
    if (selectors.isEmpty()) {
      return project;
    }
    Selector selector = any(selectors);
    return project.with(device.withSelector(selector.id(), any(selector.options())));
  }

  private Project set(Project project, Drive drive) {
    return project.with(drive.withSetting("P1", new SettingValue.Number(random.nextInt(60))));
  }

  private <T> T any(List<T> from) {
    return from.get(random.nextInt(from.size()));
  }
}
