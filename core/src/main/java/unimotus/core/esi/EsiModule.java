package unimotus.core.esi;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * What can stand in a slot.
 *
 * @param ident the module's number
 * @param type the order text
 * @param name its name
 * @param pdos its process data objects; their numbers hold in slot 0
 * @param startUp what it wants to be written at start-up
 * @param dictionary its objects; their numbers hold in slot 0
 */
@RecordBuilder
public record EsiModule(
    long ident,
    String type,
    String name,
    List<Pdo> pdos,
    List<StartUpCommand> startUp,
    ObjectDictionary dictionary)
    implements EsiModuleBuilder.With {

  /** Takes copies. */
  public EsiModule {
    pdos = List.copyOf(pdos);
    startUp = List.copyOf(startUp);
  }
}
