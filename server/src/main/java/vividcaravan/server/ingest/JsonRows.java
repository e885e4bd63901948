package vividcaravan.server.ingest;

import java.io.IOException;
import java.io.InputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.json.JsonMapper;

/** Readings as one JSON object a line. */
final class JsonRows implements ReadingRows {

    private final JsonMapper mapper;
    private final ReadingParser parser;
    private final ReadingLines lines;

    JsonRows(JsonMapper mapper, ReadingParser parser, InputStream in) {
        this.mapper = mapper;
        this.parser = parser;
        this.lines = new ReadingLines(in);
    }

    /** A line that is no JSON at all. */
    static final class NoJson extends ReadingFault {
        private static final long serialVersionUID = 1L;

        NoJson() {
            super("The line is not JSON.");
        }
    }

    @Override
    public boolean next() throws IOException {
        return lines.next();
    }

    @Override
    public IncomingReading read(long index) throws ReadingFault {
        if (lines.isTooLong()) {
            throw new ReadingFault("The line is longer than 64 KiB; a reading is one short object.");
        }
        try (JsonParser json = mapper.createParser(lines.bytes(), 0, lines.length())) {
            json.nextToken();
            IncomingReading reading = parser.read(json, index);
            if (json.nextToken() != null) {
                throw new ReadingFault("There is more on the line after its reading; write one reading a line.");
            }
            return reading;
        } catch (JacksonException e) {
            throw new NoJson();
        }
    }
}
