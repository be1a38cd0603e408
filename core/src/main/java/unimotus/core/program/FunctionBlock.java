package unimotus.core.program;

import java.util.List;

/**
 * A function block in structured text.
 *
 * @param name its name
 * @param remarks what stands above it, a line each
 * @param inputs its inputs
 * @param inOuts what it is given to work on, such as an axis; possibly none
 * @param outputs its outputs
 * @param locals what it keeps for itself
 * @param body its statements, a line each
 * @param located the channels its variables belong to; possibly none
 */
public record FunctionBlock(
    String name,
    List<String> remarks,
    List<Variable> inputs,
    List<Variable> inOuts,
    List<Variable> outputs,
    List<Variable> locals,
    List<String> body,
    List<LocatedVariable> located) {

  /** A block that works on its own variables alone. */
  public FunctionBlock(
      String name,
      List<String> remarks,
      List<Variable> inputs,
      List<Variable> outputs,
      List<Variable> locals,
      List<String> body,
      List<LocatedVariable> located) {
    this(name, remarks, inputs, List.of(), outputs, locals, body, located);
  }

  /** A block whose variables are carried by something else than channels. */
  public FunctionBlock(
      String name,
      List<String> remarks,
      List<Variable> inputs,
      List<Variable> outputs,
      List<Variable> locals,
      List<String> body) {
    this(name, remarks, inputs, outputs, locals, body, List.of());
  }

  /** Takes copies. */
  public FunctionBlock {
    remarks = List.copyOf(remarks);
    inputs = List.copyOf(inputs);
    inOuts = List.copyOf(inOuts);
    outputs = List.copyOf(outputs);
    locals = List.copyOf(locals);
    body = List.copyOf(body);
    located = List.copyOf(located);
  }

  /** The whole block as text. */
  public String text() {
    StringBuilder text = new StringBuilder();
    remarks.forEach(r -> text.append(comment(r)).append('\n'));
    text.append("FUNCTION_BLOCK ").append(name).append('\n');
    declare(text, "VAR_INPUT", inputs);
    declare(text, "VAR_IN_OUT", inOuts);
    declare(text, "VAR_OUTPUT", outputs);
    declare(text, "VAR", locals);
    text.append('\n').append(statements()).append("END_FUNCTION_BLOCK\n");
    locate(text);
    return text.toString();
  }

  private void locate(StringBuilder text) {
    if (located.isEmpty()) {
      return;
    }
    text.append("\nVAR_GLOBAL\n");
    for (LocatedVariable v : located) {
      String declared = "  %s AT %s : %s;".formatted(v.name(), v.address(), v.type());
      text.append("%-44s %s%n".formatted(declared, comment(v.comment())).replace("\r", ""));
    }
    text.append("END_VAR\n");
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
