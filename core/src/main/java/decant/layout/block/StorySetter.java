package decant.layout.block;

import decant.layout.item.Fragment;
import decant.model.NodeId;
import java.util.List;

/** Sets the text of shapes, which stands outside the flow. */
interface StorySetter {
  /** What a story comes to in a width, from its own top left corner; nothing if it is unknown. */
  List<Fragment> set(NodeId story, double width);
}
