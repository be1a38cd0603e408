package unimotus.core.way.register;

import java.util.Arrays;
import java.util.List;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.path.Numbers;
import unimotus.core.path.SignalPath;
import unimotus.core.value.ValueType;
import unimotus.core.way.number.NumberCauses;
import unimotus.core.way.number.Taking;

/** A reference in a register as it would be under each cause. */
final class RegisterCauses {
  private final RegisterLink link;
  private final NumberCauses numbers;

  RegisterCauses(RegisterLink link, SignalPath path) {
    this.link = link;
    this.numbers = new NumberCauses(link, path);
  }

  /** The variants of a cause on this link; empty where it does not occur here. */
  List<Variant> variants(Cause cause) {
    if (cause == AxisCause.DRIVE_SPAN) {
      return numbers.spans();
    }
    return cause instanceof RegisterCause own ? variants(own) : List.of();
  }

  private List<Variant> variants(RegisterCause cause) {
    return switch (cause) {
      case REGISTER_SCALE -> numbers.scales();
      case REGISTER_ORDER -> orders();
    };
  }

  private List<Variant> orders() {
    boolean two = link.entry().type().words() == 2;
    return Arrays.stream(WordOrder.values())
        .filter(order -> order != link.entry().order())
        // With one register only its bytes can be exchanged.
        .filter(order -> two || order == WordOrder.BADC || order == WordOrder.ABCD)
        .map(o -> numbers.variant("taken as " + o, link.drive().with(taken(link.entry(), o))))
        .toList();
  }

  /** The words of a register put together in another order than they were sent in. */
  static Taking taken(RegisterEntry entry, WordOrder order) {
    ValueType type = entry.type();
    return raw -> {
      double sent = Numbers.clamp(raw, type.least(), type.most());
      return order.raw(type, entry.order().words(type, sent));
    };
  }
}
