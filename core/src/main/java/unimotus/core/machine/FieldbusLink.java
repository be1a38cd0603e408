package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.WordProfile;

/**
 * How a drive is spoken to on a register fieldbus.
 *
 * @param unit its unit number, 1 to 247
 * @param profile name of the profile its words follow, a shipped one or {@link ManualWords#NAME}
 * @param words its words where they were entered from a manual
 * @param registers its registers; possibly none yet
 */
@RecordBuilder
public record FieldbusLink(
    int unit, String profile, ManualWords words, List<RegisterEntry> registers)
    implements FieldbusLinkBuilder.With {
  /** What is taken until somebody says otherwise. */
  public static final FieldbusLink USUAL =
      new FieldbusLink(1, DriveProfiles.CIA_402_VELOCITY.name(), ManualWords.NONE, List.of());

  private static final int MOST_UNITS = 247;

  /** Takes a copy and checks the unit number. */
  public FieldbusLink {
    registers = List.copyOf(registers);
    if (unit < 1 || unit > MOST_UNITS) {
      throw new IllegalArgumentException("a unit number is 1 to 247, not " + unit);
    }
  }

  /** The registers as a map. */
  public RegisterMap map() {
    return new RegisterMap(registers);
  }

  /**
   * The profile of the words.
   *
   * @throws IllegalArgumentException where it is not known, or its words are not complete yet
   */
  public WordProfile wordProfile() {
    if (profile.equals(ManualWords.NAME)) {
      return words.profile();
    }
    return DriveProfiles.all().stream()
        .filter(p -> p.name().equals(profile))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "word profile '%s' is not known; there are %s, %s"
                        .formatted(
                            profile,
                            DriveProfiles.all().stream()
                                .map(WordProfile::name)
                                .collect(Collectors.joining(", ")),
                            ManualWords.NAME)));
  }

  /** Why the profile cannot be used, in words; empty where it can. */
  public Optional<String> profileFault() {
    try {
      wordProfile();
      return Optional.empty();
    } catch (IllegalArgumentException fault) {
      return Optional.of(String.valueOf(fault.getMessage()));
    }
  }

  /**
   * The profile of the words; empty where it cannot be used, and {@link #profileFault} says why.
   */
  public Optional<WordProfile> usableProfile() {
    return profileFault().isPresent() ? Optional.empty() : Optional.of(wordProfile());
  }

  /** This link with the words of a manual, which are then the ones in use. */
  public FieldbusLink withWords(ManualWords next) {
    return with().profile(ManualWords.NAME).words(next).build();
  }
}
