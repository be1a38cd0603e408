package unimotus.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.WiringFault;
import unimotus.workbench.WorkStep;
import unimotus.workbench.find.FindingPlace;
import unimotus.workbench.find.Target;

/** Leads to the very thing that is meant: a setting, a terminal, a circuit in a state. */
public final class Navigation {
  private final Desk desk;
  private @Nullable Circuit circuit;
  private @Nullable String aim;
  private @Nullable Finding mended;
  private Consumer<Path> opener = file -> {};

  Navigation(Desk desk) {
    this.desk = desk;
  }

  /** A circuit as it was asked to be opened: what is commanded and what is broken. */
  public record Circuit(CommandState state, List<WiringFault> faults) {}

  /** Opens the circuit of the axis looked at in a state, with faults put in. */
  public void openCircuit(CommandState state, List<WiringFault> faults) {
    circuit = new Circuit(state, faults);
    desk.show(desk.axisId().get(), WorkStep.WIRE);
  }

  /** Goes to the process-data fieldbus of the line. */
  public void showBus() {
    desk.together(
        () -> {
          desk.show(desk.axisId().get(), null);
          desk.onBus().set(true);
        });
  }

  /** Goes to where a finding is mended, and to the very thing where the station can. */
  public void goTo(Finding finding) {
    String axis = desk.axisId().get();
    if (FindingPlace.isOnBus(finding)) {
      goTo(FindingPlace.onBus(finding));
    } else if (axis == null) {
      desk.step().set(WorkStep.of(finding.rule()));
    } else {
      goTo(
          settingOf(finding)
              .<Target>map(place -> new Target.Setting(axis, place))
              .orElseGet(() -> FindingPlace.of(desk.session().project(), axis, finding)));
    }
  }

  /** Where what the path says is mended in a setting of the drive, which its remedy names. */
  private Optional<String> settingOf(Finding finding) {
    if (WorkStep.of(finding.rule()) != WorkStep.MAP) {
      return Optional.empty();
    }
    return desk.review()
        .map(AxisReview::assembly)
        .flatMap(
            axis ->
                axis.driveSheet().settings().stream()
                    .map(SettingDefinition::code)
                    .filter(code -> finding.remedy().contains("(%s ".formatted(code)))
                    .findFirst()
                    .map(code -> "axis/%s/drive/%s".formatted(axis.axis().id(), code)));
  }

  /** Goes to where something of the line is looked at. */
  public void goTo(Target target) {
    if (target instanceof Target.Station at) {
      desk.show(at.axis(), at.step());
    } else if (target instanceof Target.Field at) {
      mended = at.finding();
      leadTo(at.axis(), at.step());
    } else if (target instanceof Target.Setting at) {
      aimAt(at.axis(), WorkStep.SET_UP, at.place());
    } else if (target instanceof Target.OnBoard at) {
      aimAt(at.axis(), WorkStep.WIRE, at.sought());
    } else if (target instanceof Target.Predicted at) {
      aimAt(at.axis(), WorkStep.PROVE, at.key());
    } else if (target instanceof Target.InMotion at) {
      aimAt(at.axis(), WorkStep.MAP, at.place());
    } else if (target instanceof Target.OnBus at) {
      aim = at.station();
      showBus();
    } else if (target instanceof Target.Mending at) {
      desk.axisId().set(at.axis());
      goTo(at.finding());
    }
  }

  private void aimAt(String axis, WorkStep there, String place) {
    aim = place;
    leadTo(axis, there);
  }

  private void leadTo(String axis, WorkStep there) {
    if (axis.equals(desk.axisId().get()) && desk.step().get() == there) {
      desk.refresh();
    } else {
      desk.show(axis, there);
    }
  }

  /**
   * Opens a project file in the place of the one that is open, whose unsaved work is asked after.
   */
  public void open(Path file) {
    opener.accept(file);
  }

  /** What asks after unsaved work and opens a file. */
  public void openWith(Consumer<Path> next) {
    opener = next;
  }

  /** The place somebody wants to be taken to; empty once it was asked for. */
  public Optional<String> takeAim() {
    Optional<String> place = Optional.ofNullable(aim);
    aim = null;
    return place;
  }

  /** The finding whose field somebody wants to be taken to; empty once it was asked for. */
  public Optional<Finding> takeMended() {
    Optional<Finding> finding = Optional.ofNullable(mended);
    mended = null;
    return finding;
  }

  /** The state a circuit was last asked to be opened in; it is handed out once. */
  public Optional<Circuit> takeCircuit() {
    Optional<Circuit> asked = Optional.ofNullable(circuit);
    circuit = null;
    return asked;
  }
}
