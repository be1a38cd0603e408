package unimotus.core.way.register;

import unimotus.core.detective.Cause;

/** What can be wrong with a reference as a number in a register. */
public enum RegisterCause implements Cause {
  REGISTER_SCALE(
      "Drive takes the number in the register otherwise",
      3,
      "Register right, display off by 10 or 100, or by percent of the maximum for hertz.",
      "Read unit and decimals of the register in the manual again, then correct them in the map."),
  REGISTER_ORDER(
      "Bytes or words of the register are exchanged",
      1.5,
      "Register right as the program sees it, display without any order in it.",
      "Exchange bytes or words in the map of the register.");

  private final Account account;

  RegisterCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }
}
