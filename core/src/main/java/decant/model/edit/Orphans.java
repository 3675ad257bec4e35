package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Notes and texts of shapes whose marks a change took away: they go with them, so that nothing is
 * saved that nobody sees.
 */
final class Orphans {
  private Orphans() {}

  /**
   * What takes away the stories that no mark stands for any more; empty if there are none.
   *
   * @param inverse of the edit that was made, which holds what it took away
   * @param after the document after it
   */
  static Optional<Step.PutStories> of(Edit inverse, Document after) {
    Set<NodeId> gone = new LinkedHashSet<>();
    for (Step s : inverse.steps()) {
      switch (s) {
        case Step.ReplaceText t -> add(t.with(), gone);
        case Step.ReplaceBlocks b -> Walk.paragraphs(b.with()).forEach(p -> add(p.inlines(), gone));
        case Step.Restyle r -> {}
        case Step.SetParagraphLook l -> {}
        case Step.Split p -> {}
        case Step.Join j -> {}
        case Step.Resection r -> {}
        case Step.SetPages p -> {}
        case Step.SetRunning t ->
            t.texts().values().stream()
                .flatMap(of -> of.values().stream())
                .flatMap(story -> Walk.paragraphs(story.blocks()).stream())
                .forEach(p -> add(p.inlines(), gone));
        case Step.SetMetadata m -> {}
        case Step.SetAttachments a -> {}
        case Step.SetLists l -> {}
        case Step.SetStyles x -> {}
        case Step.PutStories p -> {}
        case Step.AddMedia m -> {}
      }
    }
    gone.retainAll(after.stories().keySet());
    if (gone.isEmpty()) {
      return Optional.empty();
    }
    // Marks may stand in headers too, and in stories that stay.
    Walk.inlines(after, Set.of(Part.FLOW, Part.RUNNING), i -> without(i, gone));
    after.stories().values().stream()
        .filter(s -> !gone.contains(s.id()))
        .flatMap(s -> Walk.paragraphs(s.blocks()).stream())
        .flatMap(p -> p.inlines().stream())
        .forEach(i -> without(i, gone));
    Map<NodeId, Optional<decant.model.Story>> away = new LinkedHashMap<>();
    gone.forEach(id -> away.put(id, Optional.empty()));
    return away.isEmpty() ? Optional.empty() : Optional.of(new Step.PutStories(away));
  }

  private static void add(List<Inline> inlines, Set<NodeId> to) {
    inlines.forEach(i -> Copying.story(i).ifPresent(to::add));
  }

  private static void without(Inline i, Set<NodeId> gone) {
    Copying.story(i).ifPresent(gone::remove);
  }
}
