package unimotus.core.way.processdata;

import unimotus.core.detective.Cause;

/** What can be wrong with a reference as a number in a process image. */
public enum ProcessDataCause implements Cause {
  IMAGE_SHIFTED(
      "Image is shifted between controller and drive",
      3,
      "Image right as the controller shows it, display without any order in it, or 0.",
      "Lay the mapping of the drive beside the controller's list: an entry or a padding is missing before the target."),
  IMAGE_TYPE(
      "Target has another type in the controller than in the drive",
      2,
      "Right for small numbers or for one direction only, or without any order.",
      "Compare type and length of the target at both ends."),
  IMAGE_ORDER(
      "Bytes of the target are exchanged",
      1,
      "Image right as the controller shows it, display without any order in it.",
      "The least significant byte comes first on this fieldbus: take the exchange out of the program."),
  IMAGE_SCALE(
      "Drive takes the target in other steps",
      2.5,
      "Image right, display off by 10 or 100, or by the ratio of two units.",
      "Read the unit of the target in the manual and in 0x60A9, and what 0x604C stands at.");

  private final Account account;

  ProcessDataCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }
}
