package vividcaravan.server.logbook.page;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Chain;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;

/** The logbook: looked through, taken away as a file, and checked. */
@RestController
@RequestMapping("/api/v1/logbook")
@Tag(name = "logbook")
class LogbookController {

    private static final int MOST = 200;
    private static final int LONGEST_TEXT = 200;
    private static final int EXPORTED_AT_ONCE = 500;

    private final LogbookPages pages;
    private final FleetDirectory fleet;
    private final JsonMapper json;
    private final Semaphore oneProof = new Semaphore(1);

    LogbookController(LogbookPages pages, FleetDirectory fleet, JsonMapper json) {
        this.pages = pages;
        this.fleet = fleet;
        this.json = json;
    }

    /**
     * A page of the book, the newest entry first.
     *
     * @param next to be given as {@code before} to look on; null if there is nothing more. There may be fewer items than
     *     wanted, or none, and more to look at
     */
    record LogbookPage(List<LogbookItem> items, @Nullable Long next) {}

    /** What may be asked for; a request's parameters. */
    record Wanted(
            @Nullable String vehicle,
            @Nullable String position,
            Author.@Nullable Kind authorKind,
            @Nullable String author,
            @Nullable DeedKind kind,
            @Nullable String alert,
            @Nullable String from,
            @Nullable String to,
            @Nullable String text) {}

    @GetMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "readLogbook", summary = "What was done, by whom, when and why; the newest first")
    LogbookPage list(
            @ParameterObject Wanted wanted,
            @RequestParam(required = false) @Nullable String before,
            @RequestParam(required = false) @Nullable String limit,
            Authentication who) {
        boolean isPart = wanted.vehicle() != null || wanted.alert() != null;
        boolean isManager =
                who.getAuthorities().stream().anyMatch(authority -> "ROLE_MANAGER".equals(authority.getAuthority()));
        if (!isPart && !isManager) {
            // Whom the team invited and what a token is called is for managers.
            throw new AccessDeniedException("the whole book is for managers");
        }
        LogbookFilter filter = filter(wanted);
        LogbookPages.Page page = pages.find(filter, number(before), QueryParameters.limit(limit, 50, MOST));
        List<LogbookItem> items = page.entries().stream().map(this::item).toList();
        return new LogbookPage(items, page.next());
    }

    private static long number(@Nullable String before) {
        if (before == null) {
            return Long.MAX_VALUE;
        }
        try {
            return Long.parseLong(before.strip());
        } catch (NumberFormatException e) {
            throw Refusal.badRequest("before", "before is the number of an entry, was \"" + before + "\".");
        }
    }

    private LogbookFilter filter(Wanted wanted) {
        if (wanted.text() != null && wanted.text().length() > LONGEST_TEXT) {
            throw Refusal.badRequest("text", "Look for at most " + LONGEST_TEXT + " characters.");
        }
        Long vehicle = wanted.vehicle() == null
                ? null
                : fleet.existing(wanted.vehicle()).id();
        if (wanted.position() != null && vehicle == null) {
            throw Refusal.badRequest("position", "Say of which vehicle that wheel is.");
        }
        return new LogbookFilter(
                vehicle,
                blankToNull(wanted.position()),
                wanted.authorKind(),
                blankToNull(wanted.author()),
                wanted.kind(),
                wanted.alert() == null ? null : QueryParameters.id("alert", wanted.alert()),
                QueryParameters.time("from", wanted.from()),
                QueryParameters.time("to", wanted.to()),
                blankToNull(wanted.text()));
    }

    private static @Nullable String blankToNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    private LogbookItem item(LogbookEntry entry) {
        List<Long> vehicles =
                entry.deed().at().stream().map(Deed.Place::vehicle).distinct().toList();
        Optional<String> ref = vehicles.size() == 1
                ? fleet.vehicle(vehicles.get(0))
                        .map(vehicle -> vehicle.description().ref())
                : Optional.empty();
        return LogbookItem.of(entry, ref.orElse(null));
    }

    /** A kind of deed and how it is called. */
    record DeedKindItem(DeedKind kind, String words) {}

    /** Every kind of deed. */
    record DeedKindList(List<DeedKindItem> items) {}

    @GetMapping("/kinds")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listDeedKinds", summary = "The kinds of deeds that the logbook knows")
    DeedKindList kinds() {
        return new DeedKindList(Arrays.stream(DeedKind.values())
                .map(kind -> new DeedKindItem(kind, kind.words()))
                .toList());
    }

    /**
     * How the chain stands.
     *
     * @param isWhole whether nothing is wrong
     * @param entries how many there are
     * @param newest number of the newest entry
     * @param hash of the newest entry: kept elsewhere, it proves later that the book up to there was not written anew
     * @param breaks where the chain is not whole, the first of them
     */
    record LogbookStanding(
            boolean isWhole,
            long entries,
            long newest,
            String hash,
            @Nullable Instant at,
            List<LogbookProof.Break> breaks) {}

    @GetMapping("/proof")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "proveLogbook", summary = "Read the whole book and say whether its chain is whole")
    LogbookStanding proof() {
        if (!oneProof.tryAcquire()) {
            throw Refusal.busy("The book is being checked already. Ask again in a few seconds.");
        }
        try {
            LogbookProof proof = pages.proof();
            return new LogbookStanding(
                    proof.isWhole(), proof.entries(), proof.newest(), proof.hash(), proof.at(), proof.breaks());
        } finally {
            oneProof.release();
        }
    }

    @GetMapping(path = "/export.json", produces = MediaType.APPLICATION_JSON_VALUE)
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(
            operationId = "exportLogbookAsJson",
            summary = "Entries as JSON with their hashes, the newest first, so that anybody can check the chain")
    void exportJson(@ParameterObject Wanted wanted, HttpServletResponse response) throws IOException {
        LogbookFilter filter = filter(wanted);
        Writer out = file(response, MediaType.APPLICATION_JSON_VALUE, "logbook.json");
        out.write("[");
        String[] gap = {"\n"};
        each(filter, entry -> {
            out.write(gap[0] + json.writeValueAsString(Chain.form(entry)));
            gap[0] = ",\n";
        });
        out.write("\n]\n");
        out.flush();
    }

    @GetMapping(path = "/export.csv", produces = "text/csv")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "exportLogbookAsCsv", summary = "Entries as a table, the newest first")
    void exportCsv(@ParameterObject Wanted wanted, HttpServletResponse response) throws IOException {
        LogbookFilter filter = filter(wanted);
        try (TableFile out = TableFile.to(response, "logbook.csv")) {
            out.row("number", "at", "by", "kind", "what was done", "before and after", "why", "hash");
            each(
                    filter,
                    entry -> out.row(
                            entry.number(),
                            entry.at(),
                            entry.author().name(),
                            entry.deed().kind().words(),
                            entry.deed().words(),
                            differences(entry.deed().differences()),
                            entry.deed().why(),
                            entry.hash()));
        }
    }

    private static String differences(List<Difference> differences) {
        return differences.stream()
                .map(one -> one.what() + ": " + value(one.before(), one) + " \u2192 " + value(one.after(), one))
                .collect(Collectors.joining("; "));
    }

    private static String value(@Nullable String value, Difference difference) {
        boolean hasUnit = difference.unit() != null
                && !difference.unit().equals(Difference.TIME)
                && value != null
                && value.chars().anyMatch(Character::isDigit);
        return value == null ? "\u2013" : hasUnit ? value + " " + difference.unit() : value;
    }

    private interface Sink {
        void take(LogbookEntry entry) throws IOException;
    }

    private void each(LogbookFilter filter, Sink sink) throws IOException {
        Long before = Long.MAX_VALUE;
        while (before != null) {
            LogbookPages.Page page = pages.find(filter, before, EXPORTED_AT_ONCE);
            for (LogbookEntry entry : pages.chained(page.entries())) {
                sink.take(entry);
            }
            before = page.next();
        }
    }

    private static Writer file(HttpServletResponse response, String type, String name) throws IOException {
        response.setContentType(type);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.setHeader("Content-Disposition", "attachment; filename=\"" + name + "\"");
        return response.getWriter();
    }
}
