package unimotus.core;

import unimotus.core.link.LinkIntent;
import unimotus.core.way.LinkIntents;

/** The links of the ways of command, by the name they register. */
public final class Links {
  public static final LinkIntent PRESETS = named("PRESETS");
  public static final LinkIntent ANALOG_REFERENCE = named("ANALOG_REFERENCE");
  public static final LinkIntent POTENTIOMETER = named("POTENTIOMETER");
  public static final LinkIntent KEYPAD = named("KEYPAD");
  public static final LinkIntent HAND_OFF_AUTO = named("HAND_OFF_AUTO");

  private Links() {}

  private static LinkIntent named(String name) {
    return LinkIntents.named(name).orElseThrow();
  }
}
