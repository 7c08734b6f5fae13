package roofnest.app.household;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

import org.springframework.stereotype.Component;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.document.DocumentRefused;

/** Stored plan documents as plans; the most lately used stay read, since one board asks for its plan many times a second. */
@Component
class ReadPlans {
    private static final int KEPT = 64;

    private final PlanDocument documents;
    private final Map<String, HousePlan> byDocument = Collections.synchronizedMap(new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, HousePlan> eldest) {
            return size() > KEPT;
        }
    });

    ReadPlans(PlanDocument documents) {
        this.documents = documents;
    }

    /** The plan of a document that was checked when it was stored. */
    HousePlan plan(String document) {
        return byDocument.computeIfAbsent(document, text -> {
            try {
                return documents.read(text);
            } catch (DocumentRefused e) {
                throw new IllegalStateException("a stored plan no longer reads", e);
            }
        });
    }
}
