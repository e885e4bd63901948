package vividcaravan.e2e;

import java.util.ArrayList;
import java.util.List;

/**
 * Many small trucks alike: one steered axle, a sensor at either end, for tests that need a number of vehicles and nothing
 * else of them.
 *
 * @param prefix of their refs, which are numbered from 0
 * @param firstCode the code of the first sensor; each truck takes sixteen
 * @param count how many
 */
record Trucks(String prefix, int firstCode, int count) {

    String ref(int truck) {
        return prefix + truck;
    }

    /** The code of a truck's sensor; wheel 0 is the left one, 1 the right one. */
    String code(int truck, int wheel) {
        return String.format("%06X", firstCode + truck * 16 + wheel);
    }

    /** All of them as a fleet document. */
    String document() {
        List<String> vehicles = new ArrayList<>();
        for (int truck = 0; truck < count; truck++) {
            vehicles.add(
                    """
                    { "ref": "%s", "kind": "RIGID_TRUCK",
                      "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                      "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" },
                                   { "position": "1R", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" } ] }"""
                            .formatted(ref(truck), code(truck, 0), code(truck, 1)));
        }
        return "{ \"format\": \"vivid-caravan-fleet\", \"version\": 1, \"vehicles\": [" + String.join(",", vehicles)
                + "] }";
    }
}
