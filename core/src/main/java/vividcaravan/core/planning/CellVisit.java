package vividcaravan.core.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;

/**
 * One visit to a depot that changes all cells which would end around the same time.
 *
 * @param on the day by which it is to be made
 * @param isBeforeCold whether it was brought forward, since cells that are weak sag in the cold and say nothing then
 * @param cells what is changed, what ends first first
 */
public record CellVisit<T>(LocalDate on, boolean isBeforeCold, List<Due<T>> cells) {

    /** A cell and when it is forecast to end. */
    public record Due<T>(T cell, CellForecast forecast) {}

    /** What ends so many months after the first is done with it: another visit costs more than what is left [our judgement]. */
    private static final int TOGETHER_MONTHS = 6;

    private static final int COLD_MONTHS = 5;

    /**
     * Plans visits to one depot.
     *
     * @param today the day at the depot
     * @param zone the depot's
     */
    public static <T> List<CellVisit<T>> plan(List<Due<T>> cells, LocalDate today, ZoneId zone) {
        List<Due<T>> sorted = new ArrayList<>(cells);
        sorted.sort(Comparator.comparingLong(due -> due.forecast().earliest()));
        List<CellVisit<T>> visits = new ArrayList<>();
        int begin = 0;
        while (begin < sorted.size()) {
            LocalDate first = day(sorted.get(begin).forecast().earliest(), zone);
            LocalDate wanted = beforeCold(first, zone);
            LocalDate on = wanted.isBefore(today) ? (first.isBefore(today) ? today : notAfter(first, today)) : wanted;
            LocalDate until = on.plusMonths(TOGETHER_MONTHS);
            // The first is always among them, however far the cold brought the day forward.
            int end = begin + 1;
            while (end < sorted.size()
                    && !day(sorted.get(end).forecast().earliest(), zone).isAfter(until)) {
                end++;
            }
            visits.add(new CellVisit<>(on, on.isBefore(first), List.copyOf(sorted.subList(begin, end))));
            begin = end;
        }
        return visits;
    }

    /** Within the cold already: at once is better than in the middle of it. */
    private static LocalDate notAfter(LocalDate first, LocalDate today) {
        return first.isAfter(today) ? today : first;
    }

    private static LocalDate day(long at, ZoneId zone) {
        return Instant.ofEpochMilli(at).atZone(zone).toLocalDate();
    }

    /** The last day before the five cold months that {@code day} lies in; the same day where it lies in none. */
    static LocalDate beforeCold(LocalDate day, ZoneId zone) {
        Month coldFrom = isSouthern(zone, day.getYear()) ? Month.MAY : Month.NOVEMBER;
        LocalDate begin = LocalDate.of(day.getYear(), coldFrom, 1);
        LocalDate lastBegin = begin.isAfter(day) ? begin.minusYears(1) : begin;
        return day.isBefore(lastBegin.plusMonths(COLD_MONTHS)) ? lastBegin.minusDays(1) : day;
    }

    /** Zones south of the equator that put no clock forward, or not everywhere [from memory, by their names in the zone database]. */
    private static final Pattern SOUTHERN = Pattern.compile(
            "Australia/.*|Antarctica/.*|Africa/(Johannesburg|Maputo|Harare|Lusaka|Gaborone|Windhoek|Maseru|Mbabane|Luanda|Lubumbashi"
                    + "|Blantyre|Bujumbura|Kigali|Dar_es_Salaam)|Indian/(Mauritius|Reunion|Antananarivo|Mayotte|Comoro)"
                    + "|America/(Argentina/.*|Buenos_Aires|Cordoba|Sao_Paulo|Montevideo|La_Paz|Lima|Asuncion|Santiago|Punta_Arenas"
                    + "|Campo_Grande|Cuiaba|Porto_Velho|Rio_Branco|Bahia|Recife|Maceio|Fortaleza|Araguaina)"
                    + "|Brazil/(East|West|Acre)|Chile/.*|NZ|NZ-CHAT|Pacific/(Auckland|Chatham|Fiji|Noumea|Tongatapu|Apia|Efate"
                    + "|Port_Moresby|Guadalcanal|Norfolk|Rarotonga|Tahiti)|Asia/(Jakarta|Makassar|Jayapura|Dili)");

    /** Where it is summer in January: by the name, or where clocks are put forward then. */
    private static boolean isSouthern(ZoneId zone, int year) {
        return SOUTHERN.matcher(zone.getId()).matches()
                || zone.getRules()
                        .isDaylightSavings(LocalDate.of(year, Month.JANUARY, 15)
                                .atStartOfDay(zone)
                                .toInstant());
    }
}
