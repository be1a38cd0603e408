package unimotus.workbench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.link.StopLinks;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.sheet.SheetCatalogue;

/**
 * Which stops can be built on an axis as it is, found by building each of them on a copy.
 *
 * @param effects what can take the motion away, in the way that is wanted
 * @param leftOut what cannot, and why
 */
public record StopOffers(List<StopEffect> effects, Map<StopEffect, String> leftOut) {

  /** Takes copies. */
  public StopOffers {
    effects = List.copyOf(effects);
    leftOut = Map.copyOf(leftOut);
  }

  /** What can take the motion away by the trigger and logic of a request. */
  public static StopOffers of(Project project, SheetCatalogue sheets, StopRequest wanted) {
    List<StopEffect> effects = new ArrayList<>();
    Map<StopEffect, String> leftOut = new EnumMap<>(StopEffect.class);
    for (StopEffect effect : StopEffect.values()) {
      whyNot(project, sheets, wanted.withEffect(effect))
          .ifPresentOrElse(why -> leftOut.put(effect, why), () -> effects.add(effect));
    }
    return new StopOffers(effects, leftOut);
  }

  /** The logics by which anything at all can take the motion away. */
  public static List<StopLogic> logics(Project project, SheetCatalogue sheets, StopRequest wanted) {
    return Arrays.stream(StopLogic.values())
        .filter(l -> !of(project, sheets, wanted.withLogic(l)).effects().isEmpty())
        .toList();
  }

  private static Optional<String> whyNot(
      Project project, SheetCatalogue sheets, StopRequest wanted) {
    if (wanted.logic() == StopLogic.RELAY_CHAIN && wanted.effect() != StopEffect.RUN_INPUTS) {
      return Optional.of("a relay chain opens the run inputs");
    }
    try {
      StopLinks.plan(project, sheets, wanted);
      return Optional.empty();
    } catch (IllegalArgumentException | IllegalStateException cannot) {
      return Optional.of(String.valueOf(cannot.getMessage()));
    }
  }
}
