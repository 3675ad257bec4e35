package decant.pdf.read.page;

import decant.model.Box;
import decant.model.look.Comment;
import java.util.List;

/**
 * A comment and where it stands.
 *
 * @param areas what it lies on; one place for a note
 * @param marks whether it lies on the very text that it is about
 */
public record NotedComment(Comment comment, List<Box> areas, boolean marks) {}
