package decant.office.rtf.read;

import com.rtfparserkit.parser.IRtfListener;

/** What a parser of RTF tells of, without what nobody asks for. */
abstract class RtfEvents implements IRtfListener {
  @Override
  public void processDocumentStart() {}

  @Override
  public void processDocumentEnd() {}

  /** Characters come as text too. */
  @Override
  public void processCharacterBytes(byte[] data) {}
}
