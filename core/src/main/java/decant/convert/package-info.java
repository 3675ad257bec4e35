/**
 * One file from end to end, with nobody looking on: taken in, held against its pages, changed as
 * asked, laid out and published. What the command line and runs over folders share.
 */
@org.jspecify.annotations.NullMarked
package decant.convert;
