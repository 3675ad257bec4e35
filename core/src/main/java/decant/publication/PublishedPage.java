package decant.publication;

import decant.model.NodeId;
import decant.model.look.ListDefinition.NumberFormat;

/** A page of a publication. Lengths in points. */
public interface PublishedPage {
  /** Which page it is, from 1. */
  int number();

  /** The number that is shown on it. */
  int shown();

  /** How that number is written. */
  NumberFormat numbering();

  double width();

  double height();

  /** Where text ends at the right, from the left edge. */
  double textRight();

  /** Whether a block is the first thing on it. */
  boolean beginsWith(NodeId block);
}
