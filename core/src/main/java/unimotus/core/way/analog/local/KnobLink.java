package unimotus.core.way.analog.local;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.Carrier;
import unimotus.core.path.Chain;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.SetPoint;
import unimotus.core.way.analog.AnalogCause;
import unimotus.core.way.analog.DriveEnd;
import unimotus.core.way.analog.DriveInput;
import unimotus.core.way.analog.DriveReference;

/**
 * A reference by a potentiometer at the drive: no controller and no counts.
 *
 * @param mode in which mode of the axis it holds
 * @param knob position to the wiper's volts
 * @param input volts to the drive's percent
 * @param reference percent to output frequency
 */
record KnobLink(Mode mode, Knob knob, DriveInput input, DriveReference reference)
    implements DriveEnd {
  /** What of the causes at an analog input can occur here. */
  private static final List<AnalogCause> AT_THE_INPUT =
      List.of(
          AnalogCause.DRIVE_LIVE_ZERO,
          AnalogCause.INPUT_INVERTED,
          AnalogCause.HALF_RANGE,
          AnalogCause.DEAD_BAND);

  @Override
  public List<Stage> stages() {
    return List.of(knob, input, reference);
  }

  @Override
  public String label() {
    return mode.isHand() ? "potentiometer, in Hand" : "potentiometer";
  }

  @Override
  public String label(Station station) {
    return switch (station) {
      case NUMBER -> "Wanted";
      case PERCENT -> "Knob";
      case SIGNAL -> "Wiper";
      default -> station.label();
    };
  }

  @Override
  public String where(Station station) {
    return switch (station) {
      case NUMBER -> "wanted by the operator";
      case PERCENT -> "position of the knob";
      case SIGNAL -> "at the wiper";
      default -> station.where();
    };
  }

  @Override
  public String commander() {
    return "knob";
  }

  @Override
  public boolean isProgrammed() {
    return false;
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.SIGNAL ? Carrier.WIRES : Carrier.WITHIN;
  }

  @Override
  public Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.WIRES, Part.DRIVE);
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    new KnobChecks(axis, this, findings).check();
  }

  @Override
  public boolean isOfManualRequest() {
    return mode.isHand();
  }

  @Override
  public boolean holds(SeenInputs seen) {
    return mode.holds(seen);
  }

  /** The knob is turned to the share of the number. */
  @Override
  public Map<TerminalRef, Double> signals(AxisAssembly axis, SignalPath path, double number) {
    return PotentiometerWires.at(axis, input.terminal())
        .map(wires -> Map.of(wires.wiper(), path.value(Station.PERCENT, number)))
        .orElse(Map.of());
  }

  @Override
  public List<Cause> causes() {
    List<Cause> causes = new ArrayList<>(AT_THE_INPUT);
    causes.addAll(List.of(KnobCause.values()));
    if (mode.isHand()) {
      causes.addAll(List.of(HandCause.values()));
    }
    return causes;
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return new KnobCauses(this, clues).variants(cause);
  }

  @Override
  public String readWord() {
    return "Wiper";
  }

  @Override
  public List<SetPoint> setPoints(SignalPath path) {
    return mode.setPoints(path, "the knob turned to", "Wiper");
  }

  /** A knob is set to a mark by eye. */
  @Override
  public double settingShare() {
    return KnobReadings.EYE_SHARE;
  }

  @Override
  public List<Prediction> observations(AxisAssembly axis, Chain chain) {
    return mode.isHand() ? HandObservations.of(axis, chain, "potentiometer") : List.of();
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new KnobReadings(axis, path, this, asWired);
  }

  @Override
  public Optional<String> unreceived(Reference axisReference) {
    return mode.isHand() || axisReference.input() != null
        ? Optional.empty()
        : Optional.of("no input of the drive is chosen for the potentiometer");
  }

  /** This link with another potentiometer. */
  KnobLink with(Knob next) {
    return new KnobLink(mode, next, input, reference);
  }

  @Override
  public KnobLink with(DriveInput next) {
    return new KnobLink(mode, knob, next, reference);
  }

  @Override
  public KnobLink with(DriveReference next) {
    return new KnobLink(mode, knob, input, next);
  }
}
