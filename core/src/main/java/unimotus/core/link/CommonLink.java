package unimotus.core.link;

import java.util.function.Consumer;

/** The links of no way of command: run and release, what the drive answers, contacts. */
public enum CommonLink implements LinkIntent {
  TWO_WIRE(
      LinkGroup.RUN, "Run, two-wire", "one maintained output a direction", CommandLinks::twoWire),
  THREE_WIRE(
      LinkGroup.RUN,
      "Run, three-wire",
      "start and stop buttons in the panel, the drive latches",
      PanelLinks::threeWire),
  LATCHED_OUTPUTS(
      LinkGroup.RUN,
      "Run, latched from outputs",
      "a pulsed start and a held stop from the controller",
      CommandLinks::latched),
  ENABLE(
      LinkGroup.RUN,
      "Control release",
      "the enable input connected to the drive's own 24 V",
      CommandLinks::enable),
  DIRECTION_RESET(
      LinkGroup.RUN,
      "Direction and reset",
      "two outputs of the controller",
      CommandLinks::directionAndReset),
  INTERLOCK_CHAIN(
      LinkGroup.RUN,
      "Interlock chain",
      "enable relay, emergency-stop contactor and changeover of direction",
      InterlockLinks::chain),
  FAULT_RELAY(
      LinkGroup.ANSWER,
      "Fault to the controller",
      "closed is healthy, so that a wire break reads as a fault",
      AnswerLinks::fault),
  STATUS(
      LinkGroup.ANSWER,
      "Ready, running, at speed",
      "the drive's outputs to inputs of the controller",
      AnswerLinks::status),
  ANALOG_ACTUAL(
      LinkGroup.ANSWER,
      "Actual speed",
      "analog output of the drive, shielded pair",
      AnalogLinks::actual),
  LOAD_SIGNAL(
      LinkGroup.ANSWER,
      "Load signal",
      "second analog output of the drive to the controller",
      AnalogLinks::load),
  MOTOR_TEMPERATURE(
      LinkGroup.ANSWER,
      "Motor temperature",
      "contact that opens when hot, to the controller",
      PanelLinks::motorTemperature);

  private final Account account;
  private final Consumer<Draft> wiring;

  CommonLink(LinkGroup group, String label, String hint, Consumer<Draft> wiring) {
    this.account = new Account(group, label, hint);
    this.wiring = wiring;
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public void wire(Draft draft, LinkChoice choice) {
    wiring.accept(draft);
  }
}
