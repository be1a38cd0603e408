package unimotus.core.esi;

import java.util.List;
import java.util.Optional;

/**
 * Descriptions at hand; of two of one device in one revision the first counts.
 *
 * @param descriptions those of each file
 */
public record DescriptionCatalogue(List<DeviceDescription> descriptions) {

  /** Nothing is described. */
  public static final DescriptionCatalogue NONE = new DescriptionCatalogue(List.of());

  /**
   * A device with the file its modules are described in.
   *
   * @param description the file
   * @param device the device
   */
  public record Found(DeviceDescription description, EsiDevice device) {}

  /** Takes a copy. */
  public DescriptionCatalogue {
    descriptions = List.copyOf(descriptions);
  }

  /** The device of these numbers; empty where none is described. */
  public Optional<Found> device(long vendor, long product, long revision) {
    return descriptions.stream()
        .filter(d -> d.vendorId() == vendor)
        .flatMap(d -> d.device(product, revision).stream().map(e -> new Found(d, e)))
        .findFirst();
  }

  /** The revisions in which a device is described. */
  public List<Long> revisions(long vendor, long product) {
    return descriptions.stream()
        .filter(d -> d.vendorId() == vendor)
        .flatMap(d -> d.devices().stream())
        .filter(d -> d.productCode() == product)
        .map(EsiDevice::revision)
        .distinct()
        .toList();
  }
}
