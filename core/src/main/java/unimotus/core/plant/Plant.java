package unimotus.core.plant;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Device;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.Wire;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sequence.Sequence;
import unimotus.core.sequence.SequenceText;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.PlacedDevice;

/**
 * A sequence and everything round it.
 *
 * @param axis the axis it moves
 * @param steps that axis as one on pulses; null where it is none
 * @param line what is wired to its controller, directly or over others
 * @param design what was entered
 * @param sequence its steps
 */
public record Plant(
    AxisAssembly axis,
    @Nullable StepAxis steps,
    Installation line,
    SequenceDesign design,
    Sequence sequence) {

  /**
   * A plant.
   *
   * @throws IllegalArgumentException where the words of the sequence are not understood, naming the
   *     step
   */
  public static Plant of(
      Project project, SheetCatalogue sheets, AxisAssembly axis, SequenceDesign design) {
    MeasureUnit unit = axis.axis().mechanics().travelUnit();
    Sequence sequence = SequenceText.parse(design.name(), design.words(), unit);
    StepAxis steps = StepAxis.of(axis).orElse(null);
    return new Plant(axis, steps, around(project, sheets, axis), design, sequence);
  }

  /** What wires join with the controller of an axis. */
  public static Installation around(Project project, SheetCatalogue sheets, AxisAssembly axis) {
    List<String> devices = new ArrayList<>(List.of(axis.controller().id()));
    List<Wire> left = new ArrayList<>(project.wires());
    List<Wire> own = new ArrayList<>();
    for (int i = 0; i < devices.size(); i++) {
      String device = devices.get(i);
      for (Wire wire : List.copyOf(left)) {
        if (wire.touches(device)) {
          left.remove(wire);
          own.add(wire);
          List.of(wire.from().device(), wire.to().device()).stream()
              .filter(d -> !devices.contains(d))
              .forEach(devices::add);
        }
      }
    }
    if (!devices.contains(axis.drive().id())) {
      devices.add(axis.drive().id());
    }
    List<PlacedDevice> placed = new ArrayList<>();
    for (Device device : project.devices()) {
      if (devices.contains(device.id())) {
        sheets.find(device.sheet()).ifPresent(s -> placed.add(new PlacedDevice(device, s)));
      }
    }
    return Installation.of(placed, own);
  }

  /** The unit of its positions. */
  public MeasureUnit unit() {
    return axis.axis().mechanics().travelUnit();
  }

  /** The switches that the axis operates on its way. */
  public List<PlacedSwitch> switches() {
    return Optional.ofNullable(steps).map(s -> s.design().stepping().switches()).orElse(List.of());
  }

  /** What people call a device. */
  public String name(String device) {
    return line.device(device).map(d -> d.device().name()).orElse(device);
  }
}
