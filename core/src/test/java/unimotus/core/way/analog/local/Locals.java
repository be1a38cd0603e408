package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingValue;

/** Axes whose speed an operator sets, wired by intent; 25 r/min of the drum are 50 Hz. */
final class Locals {
  private Locals() {}

  /** Run over two wires, the speed by a potentiometer. */
  static Project potentiometer(String sheet) {
    return Lines.with(
        Lines.bare("controller-modular", sheet), CommonLink.TWO_WIRE, Links.POTENTIOMETER);
  }

  /** Run over two wires, the speed by the keypad. */
  static Project keypad(String sheet) {
    return Lines.with(Lines.bare("controller-modular", sheet), CommonLink.TWO_WIRE, Links.KEYPAD);
  }

  /** Analog reference in Auto, potentiometer in Hand. */
  static Project hand(String sheet) {
    Project analog = Lines.with(Lines.bare("controller-modular", sheet), Links.ANALOG_REFERENCE);
    return LinkPlanner.plan(
            analog, Lines.SHEETS, LinkRequest.of(Lines.AXIS, Links.HAND_OFF_AUTO, "delayed"))
        .project();
  }

  /** Run and analog reference of the controller in Auto, potentiometer in Hand, run kept closed. */
  static Project twoWireHand(String controller, String sheet) {
    Project auto =
        Lines.with(Lines.bare(controller, sheet), CommonLink.TWO_WIRE, Links.ANALOG_REFERENCE);
    return LinkPlanner.plan(
            auto, Lines.SHEETS, LinkRequest.of(Lines.AXIS, Links.HAND_OFF_AUTO, "two-wire"))
        .project();
  }

  static Project set(Project project, String code, String choice) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Choice(choice)));
  }

  static Project set(Project project, String code, double value) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Number(value)));
  }

  static Project with(Project project, UnaryOperator<Reference> change) {
    Axis axis = project.axes().get(0);
    return project.with(axis.withReference(change.apply(axis.reference())));
  }

  /** What is expected to be observed, by the prediction's key. */
  static Map<String, String> words(Project project) {
    Map<String, String> words = new TreeMap<>();
    for (Prediction p : predictions(review(project))) {
      if (p.expectation() instanceof Expectation.Word w) {
        words.put(p.key(), w.expected());
      }
    }
    return words;
  }

  static AxisReview review(Project project) {
    return LineReview.of(project, Lines.SHEETS).axes().get(0);
  }

  /** What the rules say of references, by name. */
  static List<String> told(Project project) {
    return review(project).findings().stream()
        .map(f -> f.rule())
        .filter(
            r ->
                r.code().startsWith("ANA")
                    || r.name().startsWith("HAND")
                    || r.name().equals("REFERENCE_SOURCE"))
        .map(Enum::name)
        .sorted()
        .toList();
  }

  static List<Prediction> predictions(AxisReview review) {
    return Predictor.predict(
        review.assembly(), review.path(), review.beside(), review.stops(), review.obstacles());
  }

  static double predicted(Project project, String key) {
    return predictions(review(project)).stream()
        .filter(p -> p.key().equals(key))
        .map(p -> ((Expectation.Amount) p.expectation()).value())
        .findFirst()
        .orElseThrow(() -> new AssertionError("no prediction " + key));
  }
}
