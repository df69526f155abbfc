// Made by `npm run api-types` from the description that the server gives at /api/openapi.json. Not edited by hand.
export interface paths {
    "/v1/traces": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** OTLP/HTTP: takes spans; acknowledged when they are on the disk */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": Record<string, never>;
                    "application/x-protobuf": string;
                };
            };
            responses: {
                /** @description taken; partialSuccess tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not a message of the protocol: do not send it again */
                400: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description an ingest key is needed */
                401: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description too large */
                413: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description neither JSON nor protobuf */
                415: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description come back after Retry-After */
                503: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/worst-first": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Incidents of a window, worst first */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description what orders the list */
                    rankBy?: "harm" | "people" | "money" | "keyCustomers";
                    /** @description only this application */
                    application?: string;
                    /** @description only what this team has or should get */
                    team?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Incidents of a window, worst first */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["WorstFirst"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One incident within a window */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One incident within a window */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Incident"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/incidents/{id}/brief": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The brief as it would be sent */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description to whom */
                    team?: string;
                    /** @description what the sender adds */
                    note?: string;
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description The brief as it would be sent */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["BriefPage"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/flows": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** All that was ever recorded, by flow */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description All that was ever recorded, by flow */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["FlowCounts"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/status": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How fresh the data is */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description How fresh the data is */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Freshness"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Handoffs, newest first */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Handoffs, newest first */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Handoffs"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        /** Sends an incident to a team */
        post: {
            parameters: {
                query?: never;
                header: {
                    /** @description the same key never sends twice */
                    "idempotency-key": string;
                };
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": components["schemas"]["NewHandoff"];
                };
            };
            responses: {
                /** @description was made before with this key */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Handoff"];
                    };
                };
                /** @description made */
                201: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Handoff"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One handoff with its trail */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One handoff with its trail */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Handoff"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/handoffs/{id}/answer": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The desk takes a handoff, returns it with a reason, or reports a fix */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": components["schemas"]["DeskAnswer"];
                };
            };
            responses: {
                /** @description as it is now */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Handoff"];
                    };
                };
                /** @description what is wrong and the way on */
                default: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/problem+json": components["schemas"]["Problem"];
                    };
                };
            };
        };
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        Interval: {
            estimate: number;
            low: number;
            high: number;
        };
        Series: {
            startMs: number;
            stepMs: number;
            values: (number | null)[];
            low: (number | null)[];
            high: (number | null)[];
        };
        HandoffMark: {
            id: string;
            team: string;
            /** @enum {string} */
            state: "draft" | "sent" | "taken" | "fixReported" | "returned";
        };
        Row: {
            id: number;
            rank: number;
            moved: number | null;
            title: string;
            application: string;
            flows: string[];
            /** @enum {string} */
            signal: "slow" | "failing" | "missing";
            /** @enum {string} */
            level: "calm" | "strained" | "hurting" | "broken";
            onsetMs: number;
            endMs: number;
            inTroubleNow: boolean;
            /** @enum {string} */
            trend: "growing" | "steady" | "fading" | "new" | "over";
            outcomes: {
                onTime: number;
                late: number;
                hung: number;
                failed: number;
            };
            missingAttempts: number;
            harmPerHour: number;
            harm: components["schemas"]["Interval"];
            people: components["schemas"]["Interval"];
            money: number;
            keyCustomers: number;
            weight: number;
            spark: components["schemas"]["Series"];
            proposedTeam: string | null;
            handoff: components["schemas"]["HandoffMark"] | null;
        };
        Odd: {
            id: number;
            title: string;
            application: string;
            onsetMs: number;
            inTroubleNow: boolean;
        };
        Freshness: {
            watermarkMs: number | null;
            judgedMs: number | null;
            silent: {
                application: string;
                sinceMs: number;
            }[];
        };
        WorstFirst: {
            window: {
                fromMs: number;
                toMs: number;
            };
            /** @enum {string} */
            ranking: "harm" | "people" | "money" | "keyCustomers";
            headline: string;
            detail: string;
            currency: string;
            rows: components["schemas"]["Row"][];
            odd: components["schemas"]["Odd"][];
            lastEndedMs: number | null;
            applications: string[];
            teams: string[];
            freshness: components["schemas"]["Freshness"];
        };
        BillLine: {
            /** @enum {string} */
            name: "waiting" | "failed" | "missing" | "money" | "keyCustomers";
            quantity: components["schemas"]["Interval"];
            rate: number;
            harm: components["schemas"]["Interval"];
        };
        Part: {
            flow: string;
            technicalName: string;
            /** @enum {string} */
            signal: "slow" | "failing" | "missing";
            /** @enum {string} */
            level: "calm" | "strained" | "hurting" | "broken";
            onsetMs: number;
            endMs: number;
            active: boolean;
            /** @enum {string} */
            basis: "timeOfWeek" | "dayPattern" | "history" | "ownersLimit" | "none";
            limitMs: number | null;
            /** @enum {string} */
            limitBy: "owner" | "learned" | "none";
            learnedLimitMs: number | null;
            expectedMs: number | null;
        };
        MostHit: {
            dimension: string;
            value: string;
            bad: number;
            shareOfBad: number;
            shareOfAll: number;
            words: string;
        };
        Sample: {
            atMs: number;
            durationMs: number;
            /** @enum {string} */
            outcome: "onTime" | "late" | "hung" | "failed";
            failure: string;
            traceId: string;
            person: string;
            component: string;
        };
        Incident: {
            id: number;
            window: {
                fromMs: number;
                toMs: number;
            };
            title: string;
            sentence: string;
            application: string;
            /** @enum {string} */
            signal: "slow" | "failing" | "missing";
            /** @enum {string} */
            level: "calm" | "strained" | "hurting" | "broken";
            onsetMs: number;
            endMs: number;
            inTroubleNow: boolean;
            currency: string;
            parts: components["schemas"]["Part"][];
            bill: components["schemas"]["BillLine"][];
            harm: components["schemas"]["Interval"];
            harmPerHour: number;
            people: components["schemas"]["Interval"];
            keyPeople: number;
            outcomes: {
                onTime: number;
                late: number;
                hung: number;
                failed: number;
            };
            charts: {
                /** @enum {string} */
                name: "duration" | "failures" | "attempts";
                flow: string;
                series: components["schemas"]["Series"];
            }[];
            mostHit: components["schemas"]["MostHit"][];
            samples: components["schemas"]["Sample"][];
            component: {
                name: string;
                words: string;
            } | null;
            proposedTeam: {
                team: string;
                reason: string;
            } | null;
            teams: string[];
        };
        BriefPage: {
            /** @description the brief for machines */
            brief: Record<string, never>;
            markdown: string;
        };
        FlowCounts: {
            flows: {
                application: string;
                name: string;
                technicalName: string;
                attempts: number;
                failed: number;
                meanMs: number;
            }[];
        };
        NewHandoff: {
            incident: number;
            team: string;
            note?: string;
            fromMs: number;
            toMs: number;
        };
        DeskAnswer: {
            /** @enum {string} */
            answer: "taken" | "returned" | "fixReported";
            reason?: string;
            by?: string;
        };
        HandoffSummary: {
            id: string;
            incident: number;
            team: string;
            /** @enum {string} */
            state: "draft" | "sent" | "taken" | "fixReported" | "returned";
            note: string;
            createdAt: string;
            title: string;
            harmMinutes: number;
            people: number;
            window: {
                from: string;
                to: string;
            };
        };
        Handoff: {
            id: string;
            incident: number;
            team: string;
            /** @enum {string} */
            state: "draft" | "sent" | "taken" | "fixReported" | "returned";
            note: string;
            createdAt: string;
            title: string;
            harmMinutes: number;
            people: number;
            window: {
                from: string;
                to: string;
            };
            brief: Record<string, never>;
            markdown: string;
            trail: {
                at: string;
                what: string;
                detail: string;
            }[];
        };
        Handoffs: {
            handoffs: components["schemas"]["HandoffSummary"][];
        };
        /** @description RFC 9457 */
        Problem: {
            type: string;
            title: string;
            status: number;
            detail: string;
            field?: string;
            instance?: string;
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export type operations = Record<string, never>;
