package unimotus.core.link;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;

/** Wires links. */
public final class LinkPlanner {
  private LinkPlanner() {}

  /**
   * Wires one link.
   *
   * @throws IllegalArgumentException naming the point that is missing, where the devices cannot
   *     carry the link
   */
  public static LinkPlan plan(Project project, SheetCatalogue sheets, LinkRequest request) {
    Draft draft = new Draft(project, sheets, request.axis());
    switch (request.kind()) {
      case TWO_WIRE -> CommandLinks.twoWire(draft);
      case LATCHED_OUTPUTS -> CommandLinks.latched(draft);
      case ENABLE -> CommandLinks.enable(draft);
      case DIRECTION_RESET -> CommandLinks.directionAndReset(draft);
      case PRESETS -> CommandLinks.presets(draft, request.presets());
      case THREE_WIRE -> PanelLinks.threeWire(draft);
      case HAND_OFF_AUTO -> PanelLinks.handOffAuto(draft, request.delayedStart());
      case INTERLOCK_CHAIN -> InterlockLinks.chain(draft);
      case MOTOR_TEMPERATURE -> PanelLinks.motorTemperature(draft);
      case FAULT_RELAY -> AnswerLinks.fault(draft);
      case STATUS -> AnswerLinks.status(draft);
      case ANALOG_REFERENCE -> AnalogLinks.reference(draft);
      case ANALOG_ACTUAL -> AnalogLinks.actual(draft);
      case POTENTIOMETER -> AnalogLinks.potentiometer(draft);
      case KEYPAD -> AnalogLinks.keypad(draft);
      case LOAD_SIGNAL -> AnalogLinks.load(draft);
    }
    return new LinkPlan(draft.project(), draft.done());
  }

  /**
   * Wires what a first axis needs: run, control release, reference, and the actual value where its
   * two ends are chosen.
   */
  public static LinkPlan planFirstAxis(Project project, SheetCatalogue sheets, String axis) {
    List<LinkKind> kinds = new ArrayList<>(List.of(LinkKind.TWO_WIRE));
    Draft draft = new Draft(project, sheets, axis);
    if (draft.inputSetTo("enable").isPresent()) {
      kinds.add(LinkKind.ENABLE);
    }
    kinds.add(LinkKind.ANALOG_REFERENCE);
    if (draft.axis().axis().answer().isWired()) {
      kinds.add(LinkKind.ANALOG_ACTUAL);
    }
    Project next = project;
    List<String> done = new ArrayList<>();
    for (LinkKind kind : kinds) {
      LinkPlan plan = plan(next, sheets, LinkRequest.of(axis, kind));
      next = plan.project();
      done.addAll(plan.done());
    }
    return new LinkPlan(next, done);
  }
}
