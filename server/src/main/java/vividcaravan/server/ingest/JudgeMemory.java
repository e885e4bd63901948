package vividcaravan.server.ingest;

import java.util.Map;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.cbor.CBORMapper;
import tools.jackson.dataformat.cbor.CBORWriteFeature;

/**
 * How what a vehicle's judge has seen is stored: CBOR [RFC 8949], by names that docs/judge-memory.md lists; a name that was
 * written before is written as a reference to it [the stringref extension, tags 25 and 256]. What versions before that
 * wrote can still be read.
 */
final class JudgeMemory {

    private static final TypeReference<Map<String, Object>> BY_NAME = new TypeReference<>() {};
    private static final CBORMapper CBOR = CBORMapper.builder()
            .enable(CBORWriteFeature.STRINGREF)
            .enable(CBORWriteFeature.WRITE_MINIMAL_DOUBLES)
            .build();

    private JudgeMemory() {}

    static byte[] write(Map<String, Object> memory) {
        return CBOR.writeValueAsBytes(memory);
    }

    /** What was written; empty where it is older than anything that can be read. */
    static Map<String, Object> read(byte[] stored) {
        return EarlierJudgeMemory.isThis(stored) ? EarlierJudgeMemory.read(stored) : CBOR.readValue(stored, BY_NAME);
    }
}
