package vividcaravan.server.ingest;

import java.io.IOException;

/** A file of readings, one after the other. */
interface ReadingRows {

    /**
     * Goes to the next.
     *
     * @return false at the end
     * @throws IOException if the file breaks off
     */
    boolean next() throws IOException;

    /**
     * The reading it stands at.
     *
     * @param index its place in the file, from 0
     * @throws ReadingFault if it cannot be taken
     */
    IncomingReading read(long index) throws ReadingFault;
}
