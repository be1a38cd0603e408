package unimotus.core.sheet;

import java.util.List;

/**
 * What tells one drive of a class from another on its plate.
 *
 * @param minimumFirmware oldest firmware this sheet is true for, such as {@code 2.10}
 * @param variants what the end of the model's name says
 * @param modules option modules it takes
 */
public record DriveIdentity(String minimumFirmware, List<Variant> variants, List<String> modules) {

  /**
   * One variant of the class.
   *
   * @param suffix the end of the model's name; empty for the plain one
   * @param means in words
   * @param commandsByLink whether run and speed can be commanded over the fieldbus
   * @param safetyModule whether safe torque off is there
   */
  public record Variant(
      String suffix, String means, boolean commandsByLink, boolean safetyModule) {}

  /** Takes copies. */
  public DriveIdentity {
    variants = List.copyOf(variants);
    modules = List.copyOf(modules);
  }
}
