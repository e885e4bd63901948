package vividcaravan.server.ingest;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.exc.JacksonIOException;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.SingleWriter;

/** One body of readings on its way in: parsed bit by bit, handed to the judging line, counted. */
final class ReadingsIntake {

    /** A stream is judged in portions of this many readings, each sorted by time. */
    private static final int PORTION = 100_000;
    /** Without one among so many that is JSON, nobody means readings. */
    private static final int MOST_NONSENSE = 10_000;

    private final JsonMapper mapper;
    private final ReadingParser parser;
    private final Inlet inlet;
    private final Receiver receiver;
    private final IngestFigures figures;
    private final ReadingPlaces.Place place;

    private final List<IncomingReading> portion = new ArrayList<>();
    private final List<IngestAnswer.Rejected> rejected = new ArrayList<>();
    private long rejectedTotal;
    private long index;
    private long wellFormed;
    private Tally tally = Tally.NONE;
    private boolean hasBegun;

    ReadingsIntake(
            JsonMapper mapper,
            ReadingParser parser,
            Inlet inlet,
            Receiver receiver,
            IngestFigures figures,
            ReadingPlaces.Place place) {
        this.mapper = mapper;
        this.parser = parser;
        this.inlet = inlet;
        this.receiver = receiver;
        this.figures = figures;
        this.place = place;
    }

    /** The body broke off, or is not JSON; what was counted is on disk. */
    static final class BrokenBody extends Exception {
        private static final long serialVersionUID = 1L;

        BrokenBody(String message) {
            super(message);
        }
    }

    /** Takes a JSON array whole; nothing is stored if it is too large or no JSON at all. */
    void takeArray(InputStream in) throws BrokenBody, BodyStreams.TooLarge {
        try (JsonParser json = mapper.createParser(new AsciiStream(in))) {
            if (json.nextToken() != JsonToken.START_ARRAY) {
                throw new BrokenBody("Send an array of readings, or one reading a line as application/x-ndjson.");
            }
            while (json.nextToken() != JsonToken.END_ARRAY) {
                if (json.currentToken() == null) {
                    throw new BrokenBody("The body ends before its array does.");
                }
                takeOne(json);
            }
            if (json.nextToken() != null) {
                throw new BrokenBody("There is more in the body after its array.");
            }
        } catch (JacksonIOException e) {
            if (e.getCause() instanceof BodyStreams.TooLarge tooLarge) {
                throw tooLarge;
            }
            flush();
            throw new BrokenBody("The body breaks off or does not unpack after element " + index + ".");
        } catch (JacksonException e) {
            flush();
            throw new BrokenBody(
                    index == 0 && portion.isEmpty() && tally.equals(Tally.NONE)
                            ? "The body is not JSON."
                            : "The body is not JSON after element " + index + ", or ends early.");
        } catch (BrokenBody e) {
            flush();
            throw e;
        }
        flush();
    }

    private void takeOne(JsonParser json) {
        try {
            portion.add(asHeard(parser.read(json, index)));
            if (!place.hasRoomFor(portion.size())) {
                throw Refusal.busy("The server holds as many readings as it can. Send this again in a second, or in"
                        + " smaller parts.");
            }
        } catch (ReadingFault e) {
            reject(e.getMessage());
        }
        index++;
        wellFormed++;
    }

    /** Takes one reading a line, however many. */
    void takeLines(InputStream in) throws BrokenBody {
        ReadingRows lines = new JsonRows(mapper, parser, in);
        while (true) {
            try {
                if (!lines.next()) {
                    break;
                }
            } catch (IOException e) {
                flush();
                throw new BrokenBody("The body breaks off or does not unpack after line " + index + ".");
            }
            takeLine(lines);
            if (index >= MOST_NONSENSE && wellFormed == 0) {
                break;
            }
        }
        if (index > 0 && wellFormed == 0) {
            throw new BrokenBody("The body is not JSON: no line of it could be read.");
        }
        flush();
    }

    private void takeLine(ReadingRows lines) {
        try {
            keep(lines.read(index));
            wellFormed++;
        } catch (JsonRows.NoJson e) {
            reject(e.getMessage());
        } catch (ReadingFault e) {
            wellFormed++;
            reject(e.getMessage());
        }
        index++;
    }

    /** What a token is bound to has heard all that it brings, whatever that says. */
    private IncomingReading asHeard(IncomingReading reading) {
        return receiver.bound() == null ? reading : reading.heardBy(receiver.bound());
    }

    private void keep(IncomingReading reading) {
        portion.add(asHeard(reading));
        if (portion.size() >= PORTION || !place.hasRoomFor(portion.size())) {
            flush();
        }
    }

    private void reject(String message) {
        rejectedTotal++;
        figures.rejected(1);
        if (rejected.size() < Tally.MOST_LISTED) {
            rejected.add(new IngestAnswer.Rejected(index, message));
        }
    }

    private void flush() {
        if (portion.isEmpty()) {
            return;
        }
        List<IncomingReading> readings = new ArrayList<>(portion);
        portion.clear();
        // Nothing half-stored: only the first portion may be refused, later ones wait for their turn.
        Tally took = SingleWriter.await(inlet.accept(new Inlet.Batch(readings, hasBegun), receiver));
        place.holdsNothing();
        tally = tally.plus(took);
        hasBegun = true;
    }

    /** The counts so far. */
    IngestAnswer answer() {
        return tally.plus(new Tally(0, 0, 0, rejected, rejectedTotal)).answer();
    }

    /** A refusal for a body that is too large. */
    static Refusal tooLarge() {
        return Refusal.tooLarge("An array may have 32 MB. Send it in parts, or one reading a line as"
                + " application/x-ndjson, which has no limit.");
    }
}
