package unimotus.core.path;

/**
 * The way back of the actual value.
 *
 * @param drive the drive's analog output
 * @param module the controller's input channel
 * @param program what the program makes of it
 */
public record AnswerPath(DriveAnswer drive, AnswerModule module, AnswerProgram program) {}
