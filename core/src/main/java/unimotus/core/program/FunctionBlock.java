package unimotus.core.program;

import java.util.List;

/**
 * A function block in structured text.
 *
 * @param name its name
 * @param remarks what stands above it, a line each
 * @param inputs its inputs
 * @param outputs its outputs
 * @param locals what it keeps for itself
 * @param body its statements, a line each
 */
public record FunctionBlock(
    String name,
    List<String> remarks,
    List<Variable> inputs,
    List<Variable> outputs,
    List<Variable> locals,
    List<String> body) {

  /** Takes copies. */
  public FunctionBlock {
    remarks = List.copyOf(remarks);
    inputs = List.copyOf(inputs);
    outputs = List.copyOf(outputs);
    locals = List.copyOf(locals);
    body = List.copyOf(body);
  }

  /** The whole block as text. */
  public String text() {
    StringBuilder text = new StringBuilder();
    remarks.forEach(r -> text.append(comment(r)).append('\n'));
    text.append("FUNCTION_BLOCK ").append(name).append('\n');
    declare(text, "VAR_INPUT", inputs);
    declare(text, "VAR_OUTPUT", outputs);
    declare(text, "VAR", locals);
    text.append('\n').append(statements()).append("END_FUNCTION_BLOCK\n");
    return text.toString();
  }

  /** The statements alone. */
  public String statements() {
    return body.isEmpty() ? "" : String.join("\n", body) + "\n";
  }

  private static void declare(StringBuilder text, String kind, List<Variable> variables) {
    if (variables.isEmpty()) {
      return;
    }
    text.append(kind).append('\n');
    for (Variable v : variables) {
      String declared = "  %s : %s;".formatted(v.name(), v.declared());
      text.append("%-34s %s%n".formatted(declared, comment(v.comment())).replace("\r", ""));
    }
    text.append("END_VAR\n");
  }

  /** A comment cannot hold the end of a comment. */
  static String comment(String words) {
    return "(* %s *)".formatted(words.replace("*)", "* )").replace("(*", "( *"));
  }
}
