package decant.office.rtf.read;

/**
 * What of a file did not come in as it was.
 *
 * @param missing how many pictures could not be read
 * @param changed whether changes are pending, which are shown as accepted
 * @param objects whether things of other programs are shown by their pictures
 * @param simplified whether drawings of unknown kinds are shown as boxes
 * @param broken whether the file broke off before its end
 * @param uneven whether its groups ended too early
 * @param equations whether equations are shown by their characters alone
 */
public record RtfTold(
    int missing,
    boolean changed,
    boolean objects,
    boolean simplified,
    boolean broken,
    boolean uneven,
    boolean equations) {}
