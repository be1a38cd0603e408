package unimotus.core.way.preset;

import unimotus.core.detective.Cause;

/** What can be wrong with speeds chosen by preset inputs. */
enum PresetCause implements Cause {
  PRESET_VALUE(
      "A preset frequency was not entered",
      3,
      "One combination runs at the factory default of its setting, the others are right.",
      "Enter the frequency of that preset."),
  PRESET_EXCHANGED(
      "Two preset inputs are exchanged",
      2,
      "Combinations of one input alone have each other's speed; with both closed it is right.",
      "Exchange the two wires, or the functions of the two inputs."),
  PRESET_DEAD(
      "A preset input does not arrive",
      2,
      "Every combination with that input runs at the speed of the one without it.",
      "Measure at the input while it is commanded; check wire, output and common."),
  PRESET_STUCK(
      "A preset input is on all the time",
      1,
      "Every combination without that input runs at the speed of the one with it.",
      "Measure at the input with its output off; look for a short and for leakage."),
  PRESET_NOT_TAKEN(
      "The drive does not evaluate its preset inputs",
      1.5,
      "Every combination runs at the minimum, or at an unintended reference.",
      "Set the reference source to the presets, and the functions of the inputs.");

  private final Account account;

  PresetCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }
}
