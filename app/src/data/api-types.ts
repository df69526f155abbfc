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
        /** Takes spans; acknowledged when they are on the disk */
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
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/logs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes lines of logs, changes as events named toplens.change, business events named toplens.business_event; acknowledged when they are on the disk */
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
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/metrics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes points of metrics of all kinds; acknowledged when they are on the disk */
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
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/browser": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes page views, script errors, business events and spans of a page, with the key of the page as ?key=… and from its origins alone; acknowledged when they are on the disk */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "text/plain": string;
                };
            };
            responses: {
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/har": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes page loads of a HAR 1.2 file; sent again it adds nothing; acknowledged when they are on the disk */
        post: {
            parameters: {
                query?: {
                    /** @description whose pages these are */
                    component?: string;
                    /** @description of which application */
                    application?: string;
                    /** @description of the pages */
                    version?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": Record<string, never>;
                };
            };
            responses: {
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/business-events": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes business events as CloudEvents 1.0, one or a batch, or as a CSV file whose first row names the columns; acknowledged when they are on the disk */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/cloudevents+json": Record<string, never>;
                    "application/cloudevents-batch+json": unknown[];
                    "text/csv": string;
                };
            };
            responses: {
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
    "/v1/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes changes as CloudEvents 1.0, one or a batch; acknowledged when they are on the disk */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/cloudevents+json": Record<string, never>;
                    "application/cloudevents-batch+json": unknown[];
                };
            };
            responses: {
                /** @description taken; the answer tells what was not */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
                };
                /** @description not of the protocol: do not send it again */
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
                /** @description of another type */
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
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                    /** @description what orders the list */
                    rankBy?: "harm" | "people" | "money" | "promises" | "keyCustomers";
                    /** @description rates of a past window: as they were set then, or as they are today */
                    rates?: "then" | "today";
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
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
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
    "/api/incidents/{id}/decisions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Joins, splits, sets aside, and takes back */
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
                    "application/json": components["schemas"]["NewDecision"];
                };
            };
            responses: {
                /** @description the incident to look at now */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Decided"];
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
    "/api/changes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The last five minutes against the hour before, for every flow and component */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description The last five minutes against the hour before, for every flow and component */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Changes"];
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
        /** All flows with what their attempts came to */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description All flows with what their attempts came to */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["FlowTable"];
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
    "/api/flows/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One flow */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One flow */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["FlowPage"];
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
    "/api/attempts/{traceId}/{spanId}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One attempt with all its spans */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    traceId: string;
                    spanId: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One attempt with all its spans */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["AttemptPage"];
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
    "/api/flows/{id}/field": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Its attempts by time and duration */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Its attempts by time and duration */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Field"];
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
    "/api/flows/{id}/region": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Attempts of a part of the field, worst first */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                    /** @description milliseconds: took at least so long */
                    longer?: number;
                    /** @description milliseconds: took less than this; left out: however long */
                    shorter?: number;
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Attempts of a part of the field, worst first */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Region"];
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
    "/api/flows/{id}/path": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The components that a flow goes through */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description The components that a flow goes through */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Path"];
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
    "/api/incidents/{id}/hurt": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** People whom an incident hurt, worst off first, without names */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description People whom an incident hurt, worst off first, without names */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Hurt"];
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
    "/api/incidents/{id}/lost-by-tier": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Money that an incident cost so far, by tier */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Money that an incident cost so far, by tier */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["LostByTier"];
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
    "/api/incidents/{id}/hurt/export": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** The same with ids, as CSV: needs a key of those who may see persons; recorded with who and why */
        post: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        why: string;
                    };
                };
            };
            responses: {
                /** @description CSV (RFC 4180) */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "text/csv": string;
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
    "/api/people/find": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** What one person did, in order: found by id, or by the SHA-256 of an e-mail address; needs a key; recorded with who and why */
        post: {
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
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": {
                        find: string;
                        why: string;
                    };
                };
            };
            responses: {
                /** @description found */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Person"];
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
    "/api/person-looks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who looked at persons by name, and why */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Who looked at persons by name, and why */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["PersonLooks"];
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
    "/api/journeys": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Ways that people walk through flows: who sets out, leaves, completes */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Ways that people walk through flows: who sets out, leaves, completes */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Journeys"];
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
    "/api/journeys/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One journey, step by step, and in which order to mend */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path: {
                    id: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One journey, step by step, and in which order to mend */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Journey"];
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
    "/api/money": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Orders, value, size and conversion against the same hours of like days */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only this application */
                    application?: string;
                    /** @description only this flow */
                    flow?: number;
                    /** @description only what this team has or should get */
                    team?: string;
                    /** @description only attempts of this site */
                    site?: string;
                    /** @description only attempts of this version */
                    version?: string;
                    /** @description only attempts of this region */
                    region?: string;
                    /** @description only attempts of this tier */
                    tier?: string;
                    /** @description only attempts of this promotion */
                    promotion?: string;
                    /** @description only attempts of this host */
                    host?: string;
                    /** @description with what the window is compared */
                    against?: "nothing" | "week" | "day" | "before" | "release";
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Orders, value, size and conversion against the same hours of like days */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Money"];
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
    "/api/pages": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Page loads in browsers by page, country …, heaviest first; where it is worse; what does not come */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description what views are told apart by */
                    by?: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
                    /** @description only views of this page */
                    page?: string;
                    /** @description only views of this country */
                    country?: string;
                    /** @description only views of this area */
                    area?: string;
                    /** @description only views of this browser */
                    browser?: string;
                    /** @description only views of this system */
                    system?: string;
                    /** @description only views of this connection */
                    connection?: string;
                    /** @description only views of this version */
                    version?: string;
                    /** @description only views of this application */
                    application?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Page loads in browsers by page, country …, heaviest first; where it is worse; what does not come */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["PageLoads"];
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
    "/api/page-loads/{view}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One view of one page, with all that it fetched */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    view: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description One view of one page, with all that it fetched */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["PageLoad"];
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
    "/api/page-load-of/{trace}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The view that a trace began in */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    trace: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description The view that a trace began in */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["PageLoadOf"];
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
    "/api/script-errors": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Errors of scripts in groups, by people met */
        get: {
            parameters: {
                query?: {
                    /** @description minutes up to the newest judged one; moves on by itself */
                    last?: number;
                    /** @description begin, with `to` */
                    from?: string;
                    /** @description end, with `from` */
                    to?: string;
                    /** @description only views of this page */
                    page?: string;
                    /** @description only views of this country */
                    country?: string;
                    /** @description only views of this area */
                    area?: string;
                    /** @description only views of this browser */
                    browser?: string;
                    /** @description only views of this system */
                    system?: string;
                    /** @description only views of this connection */
                    connection?: string;
                    /** @description only views of this version */
                    version?: string;
                    /** @description only views of this application */
                    application?: string;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Errors of scripts in groups, by people met */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["ScriptErrors"];
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
    "/api/source-maps": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Source maps that stacks are read through */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Source maps that stacks are read through */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["SourceMaps"];
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
        /** Takes a source map (ECMA-426); one of the same component, version and file is replaced */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": components["schemas"]["NewSourceMap"];
                };
            };
            responses: {
                /** @description kept */
                201: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["SourceMapKept"];
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
    "/api/estate": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Everything that runs: five minutes at the end of the window against the hour before them */
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
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Everything that runs: five minutes at the end of the window against the hour before them */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Estate"];
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
    "/api/components/{name}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A component: callers, callees, hosts, flows, incidents, changes */
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
                    name: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description A component: callers, callees, hosts, flows, incidents, changes */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Component"];
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
    "/api/attempts/{traceId}/{spanId}/hosts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Hosts of an attempt in its minutes */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    traceId: string;
                    spanId: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Hosts of an attempt in its minutes */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Hosts"];
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
    "/api/attempts/{traceId}/{spanId}/beside": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What else a store was asked while this statement ran */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path: {
                    traceId: string;
                    spanId: string;
                };
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description What else a store was asked while this statement ran */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Beside"];
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
    "/api/incidents/{id}/hosts": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Hosts, processes and runtimes while an incident went on: ruled out or left over */
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
                /** @description Hosts, processes and runtimes while an incident went on: ruled out or left over */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Hosts"];
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
    "/api/incidents/{id}/logs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Log lines of its components brought to patterns, against the hours before */
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
                /** @description Log lines of its components brought to patterns, against the hours before */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["LogPatterns"];
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
    "/api/flow-counts": {
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
    "/api/settings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Rates, calendar, and every change of a setting */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Rates, calendar, and every change of a setting */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Settings"];
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
        /** Changes a setting; what was set before stays in its history */
        post: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody: {
                content: {
                    "application/json": components["schemas"]["NewSetting"];
                };
            };
            responses: {
                /** @description as they are now */
                201: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Settings"];
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
    "/api/settings/changes/{id}/undo": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Takes a change back to what was set before it */
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
                    "application/json": components["schemas"]["NewSetting"];
                };
            };
            responses: {
                /** @description as they are now */
                201: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["Settings"];
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
    "/api/server-state": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** How this server's parts are, what is judged again, whose clock is wrong */
        get: {
            parameters: {
                query?: never;
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description How this server's parts are, what is judged again, whose clock is wrong */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["ServerState"];
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
    "/api/refused-records": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Records that the database refused, newest first */
        get: {
            parameters: {
                query?: {
                    /** @description older than this one */
                    before?: number;
                };
                header?: never;
                path?: never;
                cookie?: never;
            };
            requestBody?: never;
            responses: {
                /** @description Records that the database refused, newest first */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["RefusedRecords"];
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
    "/api/refused-records/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Drops a refused record */
        delete: {
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
                /** @description dropped */
                204: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content?: never;
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
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/refused-records/{id}/send-again": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Tries to store a refused record once more; refused again, it is kept aside again */
        post: {
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
                /** @description whether it was taken this time */
                200: {
                    headers: {
                        [name: string]: unknown;
                    };
                    content: {
                        "application/json": components["schemas"]["SentAgain"];
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
        RefusedRecords: {
            total: number;
            more: boolean;
            records: {
                id: number;
                atMs: number;
                kind: string;
                sqlstate: string;
                reason: string;
                record: string;
            }[];
        };
        SentAgain: {
            taken: boolean;
        };
        PartHealth: {
            /** @enum {string} */
            state: "ok" | "degraded" | "down";
            sinceMs: number;
            words: string;
        };
        ServerState: {
            /** @enum {string} */
            state: "ok" | "degraded" | "down";
            nowMs: number;
            parts: {
                intake: components["schemas"]["PartHealth"];
                journal: components["schemas"]["PartHealth"];
                database: components["schemas"]["PartHealth"];
                engine: components["schemas"]["PartHealth"];
                search: components["schemas"]["PartHealth"];
                disk: components["schemas"]["PartHealth"];
                backup: components["schemas"]["PartHealth"];
            };
            judgedAgainFromMs: number | null;
            judgedMs: number | null;
            gatheredNames: {
                kind: string;
                names: number;
            }[];
            clocks: {
                component: string;
                host: string;
                aheadMs: number;
                refused: number;
                sinceMs: number;
                lastMs: number;
            }[];
        };
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
            other: (number | null)[] | null;
        };
        Chart: {
            /** @enum {string} */
            name: "duration" | "failures" | "attempts";
            flow: string;
            series: components["schemas"]["Series"];
            comparedWith: string | null;
        };
        Mark: {
            atMs: number;
            words: string;
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
            /** @enum {string} */
            priority: "P1" | "P2" | "P3" | "P4";
            onsetMs: number;
            endMs: number;
            activeAtEnd: boolean;
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
            best: number;
            worst: number;
            nearTie: boolean;
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
            mayBecome: string;
        };
        SetAside: {
            id: number;
            title: string;
            reason: string;
            by: string;
            untilMs: number;
        };
        Compared: {
            fromMs: number;
            toMs: number;
            words: string;
            harmPerHour: number;
            people: number;
            incidents: number;
            isKnown: boolean;
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
            ranking: "harm" | "people" | "money" | "promises" | "keyCustomers";
            headline: string;
            detail: string;
            currency: string;
            rows: components["schemas"]["Row"][];
            odd: components["schemas"]["Odd"][];
            hasPromises: boolean;
            setAside: components["schemas"]["SetAside"][];
            compared: components["schemas"]["Compared"] | null;
            remaining: {
                sessions: number;
                attempts: number;
            } | null;
            lastEndedMs: number | null;
            applications: string[];
            teams: string[];
            flows: {
                id: number;
                name: string;
                application: string;
            }[];
            dimensions: {
                /** @enum {string} */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host";
                values: string[];
            }[];
            freshness: components["schemas"]["Freshness"];
        };
        Change: {
            /** @enum {string} */
            kind: "flow" | "component";
            name: string;
            id: number | null;
            /** @enum {string} */
            measure: "attempts" | "failures" | "duration";
            ratio: number | null;
            words: string;
        };
        Changes: {
            changes: components["schemas"]["Change"][];
        };
        BillLine: {
            /** @enum {string} */
            name: "waiting" | "failed" | "left" | "missing" | "money" | "keyCustomers";
            quantity: components["schemas"]["Interval"];
            rate: number;
            harm: components["schemas"]["Interval"];
        };
        Part: {
            flowId: number;
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
            basis: "timeOfWeek" | "timeOfWeekWide" | "dayPattern" | "history" | "ownersLimit" | "none";
            limitMs: number | null;
            /** @enum {string} */
            limitBy: "owner" | "learned" | "none";
            learnedLimitMs: number | null;
            expectedMs: number | null;
        };
        Segment: {
            /** @enum {string} */
            dimension: "site" | "version" | "region" | "tier" | "promotion" | "host";
            value: string;
            all: number;
            bad: number;
            people: number;
            shareOfBad: number;
            shareOfAll: number;
            relativeRisk: number | null;
            low: number;
            high: number | null;
            excess: number;
            words: string;
        };
        Bites: {
            segments: components["schemas"]["Segment"][];
            spared: components["schemas"]["Segment"][];
            ruledOut: {
                /** @enum {string} */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host";
                /** @enum {string} */
                why: "oneValue" | "noDifference";
                value: string | null;
            }[];
            bad: number;
            all: number;
        };
        Sample: {
            atMs: number;
            durationMs: number;
            /** @enum {string} */
            outcome: "onTime" | "late" | "hung" | "failed";
            failure: string;
            traceId: string;
            spanId: string;
            person: string;
            component: string;
        };
        Origin: {
            candidates: {
                component: string;
                score: number;
                reasons: string[];
                team: string | null;
            }[];
            changes: string[];
            second: string | null;
            trust: number | null;
            rungs: {
                component: string;
                depth: number;
                usualUs: number;
                nowUs: number;
                failing: number;
                onsetMs: number | null;
                isSilent: boolean;
            }[];
            bad: number;
            usual: number;
            shared: {
                id: number;
                name: string;
                application: string;
                /** @enum {string} */
                level: "calm" | "strained" | "hurting" | "broken" | "noData";
            }[];
        };
        AttemptRow: {
            id: string;
            name: string;
            component: string;
            host: string;
            peer: string;
            statement: string;
            failure: string;
            depth: number;
            fromUs: number;
            durationUs: number;
            own: number[];
            ownUs: number;
            shareUs: number;
            calls: number;
            callsUs: number;
            callsSumUs: number;
            foldedInto: string;
            isMissing: boolean;
            runsOn: boolean;
        };
        AttemptPage: {
            traceId: string;
            spanId: string;
            flow: {
                id: number;
                name: string;
                technicalName: string;
                application: string;
                /** @enum {string} */
                kind: "work" | "background" | "page" | "businessEvent";
            };
            atMs: number;
            durationMs: number;
            wholeMs: number;
            device: string;
            /** @enum {string} */
            outcome: "onTime" | "late" | "hung" | "failed";
            limitMs: number | null;
            /** @enum {string} */
            limitBy: "owner" | "learned" | "none";
            expectedMs: number | null;
            failure: string;
            person: string;
            values: {
                /** @enum {string} */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host";
                value: string;
            }[];
            value: number | null;
            currency: string;
            failures: {
                spanId: string;
                component: string;
                type: string;
                message: string;
                className: string;
                method: string;
                file: string;
                line: number;
                stack: string;
            }[];
            components: {
                component: string;
                shareUs: number;
                share: number;
                spans: number;
                failed: number;
                usualUs: number | null;
            }[];
            rows: components["schemas"]["AttemptRow"][];
            clocks: {
                host: string;
                offsetUs: number;
            }[];
            missing: number;
            usual: {
                traceId: string;
                spanId: string;
                atMs: number;
                durationMs: number;
            } | null;
            lines: components["schemas"]["LogLine"][];
            others: {
                spanId: string;
                name: string;
                durationMs: number;
            }[];
        };
        HostFigure: {
            /** @enum {string} */
            figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
            host: string;
            component: string;
            /** @enum {string} */
            verdict: "usual" | "raised" | "lowered" | "full" | "unknown";
            usual: number | null;
            now: number | null;
            highest: number | null;
            points: {
                atMs: number;
                value: number;
            }[];
        };
        Hosts: {
            now: {
                fromMs: number;
                toMs: number;
            };
            before: {
                fromMs: number;
                toMs: number;
            };
            lines: {
                /** @enum {string} */
                figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
                words: string;
                isLeftOver: boolean;
                looked: number;
                odd: components["schemas"]["HostFigure"][];
            }[];
            restarts: {
                component: string;
                host: string;
                atMs: number;
            }[];
            advice: {
                words: string;
                evidence: string;
            }[];
            unknown: number;
        };
        Field: {
            window: {
                fromMs: number;
                toMs: number;
            };
            attempts: number;
            limitMs: number | null;
            startMs: number;
            stepMs: number;
            columns: number;
            floorsMs: number[];
            counts: number[][];
            bad: number[][];
        };
        Region: {
            window: {
                fromMs: number;
                toMs: number;
            };
            attempts: number;
            bad: number;
            samples: components["schemas"]["Sample"][];
        };
        Hop: {
            from: string;
            to: string;
            calls: number;
            failed: number;
            meanMs: number;
            longestMs: number;
            traces: number;
            shareOfTraces: number;
            depth: number;
        };
        Path: {
            window: {
                fromMs: number;
                toMs: number;
            };
            traces: number;
            hops: components["schemas"]["Hop"][];
            layers: {
                startMs: number;
                stepMs: number;
                attempts: number[];
                means: {
                    /** @enum {string} */
                    layer: "device" | "ownCode" | "network" | "stores" | "outside";
                    ms: number[];
                }[];
            };
        };
        HurtPerson: {
            person: string;
            tier: string;
            site: string;
            region: string;
            promotion: string;
            flow: string;
            late: number;
            hung: number;
            failed: number;
            waitedMs: number;
            lastMs: number;
            /** @enum {string} */
            fate: "gone" | "undecided" | "wentOn" | "madeGood";
            lost: number;
        };
        Hurt: {
            window: {
                fromMs: number;
                toMs: number;
            };
            currency: string;
            total: number;
            gone: number;
            lost: number;
            people: components["schemas"]["HurtPerson"][];
            concentration: {
                /** @enum {string} */
                dimension: "tier" | "promotion" | "site" | "region" | "item";
                values: {
                    value: string;
                    people: number;
                }[];
            }[];
        };
        LostByTier: {
            currency: string;
            whole: components["schemas"]["Interval"];
            tiers: {
                tier: string;
                money: components["schemas"]["Interval"];
                people: components["schemas"]["Interval"];
            }[];
        };
        PersonAttempt: {
            /** @enum {string} */
            kind: "work" | "background" | "page" | "businessEvent";
            atMs: number;
            durationMs: number;
            flow: number;
            name: string;
            application: string;
            /** @enum {string} */
            outcome: "onTime" | "late" | "hung" | "failed";
            expectedMs: number | null;
            session: number;
            isProbe: boolean;
            site: string;
            region: string;
            tier: string;
            version: string;
            value: number | null;
            failure: string;
            traceId: string;
            spanId: string;
        };
        Person: {
            person: string;
            window: {
                fromMs: number;
                toMs: number;
            };
            attempts: components["schemas"]["PersonAttempt"][];
            views: components["schemas"]["PersonView"][];
        };
        PersonLooks: {
            looks: {
                atMs: number;
                who: string;
                why: string;
                what: string;
                people: number;
            }[];
        };
        JourneyStep: {
            flow: number;
            name: string;
            people: number;
            sessions: number;
            wentOn: number;
            undecided: number;
            left: number;
            exposed: number;
            usuallyExposed: number;
            beyondUsual: components["schemas"]["Interval"];
            lost: components["schemas"]["Interval"];
            usualLeaving: number | null;
            attributable: number | null;
            isBad: boolean;
            medianMs: number | null;
            failedShare: number | null;
            incidents: number[];
        };
        Journey: {
            id: string;
            key: string;
            window: {
                fromMs: number;
                toMs: number;
            };
            name: string;
            isNamed: boolean;
            application: string;
            currency: string;
            every: number;
            setOut: number;
            completed: number;
            value: number;
            valueEach: number | null;
            beyondUsual: number;
            lost: number;
            steps: components["schemas"]["JourneyStep"][];
            repairs: {
                step: number;
                flow: number;
                comeBack: number;
                hidden: number;
                completions: number;
                value: number;
            }[];
        };
        Journeys: {
            window: {
                fromMs: number;
                toMs: number;
            };
            journeys: components["schemas"]["Journey"][];
        };
        MoneyFigure: {
            value: number | null;
            expected: number | null;
            low: number | null;
            high: number | null;
            /** @enum {string} */
            verdict: "usual" | "below" | "above" | "notKnown";
        };
        Takings: {
            flow: number;
            /** @enum {string} */
            kind: "work" | "background" | "page" | "businessEvent";
            name: string;
            application: string;
            start: string | null;
            days: number;
            lost: components["schemas"]["Interval"];
            orders: components["schemas"]["MoneyFigure"];
            value: components["schemas"]["MoneyFigure"];
            size: components["schemas"]["MoneyFigure"];
            conversion: components["schemas"]["MoneyFigure"];
        };
        Money: {
            window: {
                fromMs: number;
                toMs: number;
            };
            currency: string;
            isNarrowed: boolean;
            flows: components["schemas"]["Takings"][];
        };
        Beside: {
            component: string;
            durationMs: number;
            others: {
                statement: string;
                calls: number;
                overlapMs: number;
                longestMs: number;
            }[];
        };
        RunningPart: {
            /** @enum {string} */
            kind: "service" | "store" | "outside";
            component: string;
            host: string;
            application: string;
            region: string;
            team: string;
            version: string;
            /** @enum {string} */
            level: "calm" | "strained" | "hurting" | "broken" | "silent";
            slowness: number | null;
            attemptsPerMinute: number;
            usualPerMinute: number;
            failing: number | null;
            changes: string[];
            figures: string[];
        };
        Estate: {
            window: {
                fromMs: number;
                toMs: number;
            };
            before: {
                fromMs: number;
                toMs: number;
            };
            parts: components["schemas"]["RunningPart"][];
        };
        Component: {
            name: string;
            window: {
                fromMs: number;
                toMs: number;
            };
            before: {
                fromMs: number;
                toMs: number;
            };
            team: string | null;
            traces: number;
            attempts: number;
            callers: components["schemas"]["Hop"][];
            callees: components["schemas"]["Hop"][];
            hosts: string[];
            figures: {
                /** @enum {string} */
                figure: "cpu" | "memory" | "heap" | "gc" | "eventLoop" | "disk" | "fileSystem" | "network" | "networkErrors" | "pool" | "poolWaits";
                hosts: components["schemas"]["HostFigure"][];
            }[];
            flows: {
                id: number;
                name: string;
                application: string;
                /** @enum {string} */
                level: "calm" | "strained" | "hurting" | "broken" | "noData";
            }[];
            incidents: {
                id: number;
                title: string;
                onsetMs: number;
                inTroubleNow: boolean;
            }[];
            changes: {
                atMs: number;
                words: string;
            }[];
        };
        LogLine: {
            atMs: number;
            component: string;
            host: string;
            severity: string;
            body: string;
            traceId: string | null;
            spanId: string | null;
        };
        LogPattern: {
            text: string;
            now: number;
            before: number;
            nowRate: number;
            usualRate: number;
            isNew: boolean;
            severity: string;
            firstMs: number | null;
            components: string[];
            samples: components["schemas"]["LogLine"][];
        };
        LogPatterns: {
            components: string[];
            now: {
                fromMs: number;
                toMs: number;
            };
            before: {
                fromMs: number;
                toMs: number;
            };
            surging: components["schemas"]["LogPattern"][];
            rare: components["schemas"]["LogPattern"][];
            gone: components["schemas"]["LogPattern"][];
            usual: components["schemas"]["LogPattern"][];
            linesNow: number;
            linesBefore: number;
            kept: number;
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
            /** @enum {string} */
            priority: "P1" | "P2" | "P3" | "P4";
            /** @enum {string} */
            trend: "growing" | "steady" | "fading" | "new" | "over";
            onsetMs: number;
            endMs: number;
            activeAtEnd: boolean;
            inTroubleNow: boolean;
            currency: string;
            parts: components["schemas"]["Part"][];
            bill: components["schemas"]["BillLine"][];
            penalties: number;
            harm: components["schemas"]["Interval"];
            harmPerHour: number;
            rank: number | null;
            best: number | null;
            worst: number | null;
            nearTie: boolean;
            people: components["schemas"]["Interval"];
            keyPeople: number;
            outcomes: {
                onTime: number;
                late: number;
                hung: number;
                failed: number;
            };
            charts: components["schemas"]["Chart"][];
            marks: components["schemas"]["Mark"][];
            bites: components["schemas"]["Bites"];
            samples: components["schemas"]["Sample"][];
            component: {
                name: string;
                words: string;
            } | null;
            origin: components["schemas"]["Origin"] | null;
            proposedTeam: {
                team: string;
                reason: string;
            } | null;
            teams: string[];
            remaining: {
                sessions: number;
                attempts: number;
            } | null;
            setAside: {
                reason: string;
                by: string;
                untilMs: number;
            } | null;
            joined: {
                id: number;
                title: string;
            }[];
            nearby: {
                id: number;
                title: string;
            }[];
            decisions: {
                at: string;
                who: string;
                what: string;
                detail: string;
            }[];
        };
        FlowRow: {
            id: number;
            name: string;
            technicalName: string;
            application: string;
            /** @enum {string} */
            kind: "work" | "background" | "page" | "businessEvent";
            team: string | null;
            /** @enum {string} */
            level: "calm" | "strained" | "hurting" | "broken" | "noData";
            attempts: number;
            perMinute: number;
            meanMs: number | null;
            medianMs: number | null;
            p95Ms: number | null;
            maxMs: number | null;
            failedShare: number | null;
            apdex: number | null;
            apdexWords: string | null;
            limitMs: number | null;
            /** @enum {string} */
            limitBy: "owner" | "learned" | "none";
            people: number | null;
            hurt: number | null;
            shareOfTime: number | null;
            importance: number;
            before: {
                attempts: number;
                medianMs: number | null;
                failedShare: number;
            } | null;
            spark: components["schemas"]["Series"];
        };
        FlowTable: {
            window: {
                fromMs: number;
                toMs: number;
            };
            rows: components["schemas"]["FlowRow"][];
            attempts: number;
            comparedWith: string | null;
            remaining: {
                sessions: number;
                attempts: number;
            } | null;
            applications: string[];
            freshness: components["schemas"]["Freshness"];
        };
        Side: {
            value: string;
            attempts: number;
            badShare: number;
            medianMs: number | null;
            p95Ms: number | null;
            ridit: number | null;
            riditError: number | null;
            isOdd: boolean;
        };
        Statement: {
            statement: string;
            component: string;
            calls: number;
            callsAnAttempt: number;
            shareOfAttempts: number;
            shareOfTime: number;
            totalMs: number;
            longestMs: number;
            failed: number;
        };
        FlowPage: {
            window: {
                fromMs: number;
                toMs: number;
            };
            isCut: boolean;
            row: components["schemas"]["FlowRow"];
            key: string;
            team: {
                team: string;
                reason: string;
            } | null;
            normal: {
                /** @enum {string} */
                basis: "timeOfWeek" | "timeOfWeekWide" | "dayPattern" | "history" | "ownersLimit" | "none";
                samples: number;
                days: number;
                expectedMs: number | null;
                learnedLimitMs: number | null;
                ownersLimitMs: number | null;
                limitMs: number | null;
                /** @enum {string} */
                limitBy: "owner" | "learned" | "none";
                lateShare: number;
                failedShare: number;
                sites: {
                    site: string;
                    limitMs: number;
                    lateShare: number;
                }[];
            };
            sites: string[];
            ownersSiteLimits: {
                site: string;
                limitMs: number;
            }[];
            statements: {
                attempts: number;
                statements: components["schemas"]["Statement"][];
            };
            apdexAtOwners: string | null;
            apdexAtLearned: string | null;
            outcomes: {
                startMs: number;
                stepMs: number;
                onTime: number[];
                late: number[];
                hung: number[];
                failed: number[];
            };
            bands: {
                fromMs: number;
                toMs: number | null;
                attempts: number;
            }[];
            charts: components["schemas"]["Chart"][];
            marks: components["schemas"]["Mark"][];
            sides: {
                /** @enum {string} */
                dimension: "site" | "version" | "region" | "tier" | "promotion" | "host";
                sides: components["schemas"]["Side"][];
            }[];
            slowest: components["schemas"]["Sample"][];
            incidents: {
                id: number;
                onsetMs: number;
                endMs: number;
                inTroubleNow: boolean;
            }[];
            changes: {
                id: number;
                atMs: number;
                fromMs: number;
                who: string;
                words: string;
                undoes: number | null;
            }[];
        };
        Settings: {
            currency: string;
            rates: {
                waiting: number;
                failed: number;
                left: number;
                missing: number;
                money: number;
                keyMultiplier: number;
            };
            keyTiers: string[];
            calendar: {
                holidays: string[];
                excluded: {
                    fromMs: number;
                    toMs: number;
                    reason: string;
                }[];
            };
            changes: {
                id: number;
                atMs: number;
                fromMs: number;
                who: string;
                key: string;
                about: string;
                words: string;
                undoes: number | null;
                isUndone: boolean;
            }[];
        };
        NewSetting: {
            who: string;
            key: string;
            /** @description null: back to the settings file */
            value?: unknown;
            fromMs?: number;
        };
        NewDecision: {
            who: string;
            /** @enum {string} */
            what: "join" | "unjoin" | "split" | "setAside" | "takeBack";
            into?: number;
            flows?: number[];
            reason?: string;
            untilMs?: number;
        };
        Decided: {
            id: number;
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
        Vital: {
            p75: number;
            /** @enum {string} */
            rating: "good" | "needsImprovement" | "poor";
            views: number;
        };
        PageGroup: {
            name: string;
            views: number;
            people: number;
            loads: number;
            /** @description mean milliseconds of redirect, cache, lookup, connect, tls, waiting, transfer, dom, scripts, resources, handlers */
            parts: number[];
            meanMs: number | null;
            medianMs: number | null;
            weightMs: number;
            shareOfWeight: number;
            vitals: {
                ttfb: components["schemas"]["Vital"] | null;
                fcp: components["schemas"]["Vital"] | null;
                lcp: components["schemas"]["Vital"] | null;
                inp: components["schemas"]["Vital"] | null;
                cls: components["schemas"]["Vital"] | null;
            };
            interactions: number;
            errors: number;
            shareWithErrors: number;
            shareMissing: number;
        };
        PageWhere: {
            /** @enum {string} */
            what: "slow" | "missing" | "errors";
            /** @enum {string} */
            dimension: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
            /** @enum {string} */
            verdict: "here" | "more" | "everywhere";
            hit: {
                name: string;
                views: number;
                here: number;
                elsewhere: number;
            }[];
        };
        ListedLoad: {
            view: string;
            atMs: number;
            page: string;
            country: string;
            browser: string;
            loadMs: number | null;
            lcpMs: number | null;
            errors: number;
            missing: number;
        };
        PersonView: {
            view: string;
            atMs: number;
            page: string;
            country: string;
            browser: string;
            loadMs: number | null;
            lcpMs: number | null;
            errors: number;
            missing: number;
            session: number;
            system: string;
        };
        PageLoads: {
            window: {
                fromMs: number;
                toMs: number;
            };
            /** @enum {string} */
            by: "page" | "country" | "area" | "browser" | "system" | "connection" | "version" | "application";
            kept: number;
            kinds: {
                load: number;
                route: number;
                frame: number;
            };
            all: components["schemas"]["PageGroup"] | null;
            groups: components["schemas"]["PageGroup"][];
            frames: components["schemas"]["PageGroup"][];
            flow: number | null;
            trend: {
                startMs: number;
                stepMs: number;
                vitals: {
                    ttfb: (number | null)[];
                    fcp: (number | null)[];
                    lcp: (number | null)[];
                    inp: (number | null)[];
                    cls: (number | null)[];
                };
            };
            where: components["schemas"]["PageWhere"][];
            hosts: {
                host: string;
                isThirdParty: boolean;
                resources: number;
                missing: number;
                meanMs: number;
                bytes: number;
            }[];
            calls: {
                call: string;
                calls: number;
                failed: number;
                medianMs: number;
                p95Ms: number;
            }[];
            worst: components["schemas"]["ListedLoad"][];
        };
        StackFrame: {
            file: string;
            line: number;
            column: number;
            method: string;
        };
        ScriptErrors: {
            window: {
                fromMs: number;
                toMs: number;
            };
            views: number;
            isCut: boolean;
            groups: {
                type: string;
                message: string;
                errors: number;
                views: number;
                people: number;
                firstMs: number;
                lastMs: number;
                pages: string[];
                versions: string[];
                browsers: string[];
                component: string;
                frames: components["schemas"]["StackFrame"][];
                isMapped: boolean;
                sampleView: string;
            }[];
        };
        PageLoad: {
            view: string;
            atMs: number;
            page: string;
            country: string;
            browser: string;
            loadMs: number | null;
            lcpMs: number | null;
            errors: number;
            missing: number;
            /** @enum {string} */
            kind: "load" | "route" | "frame";
            path: string;
            host: string;
            component: string;
            application: string;
            version: string;
            system: string;
            connection: string;
            tier: string;
            parts: number[] | null;
            vitals: {
                ttfb: number | null;
                fcp: number | null;
                lcp: number | null;
                inp: number | null;
                cls: number | null;
            };
            interactions: number;
            resources: {
                url: string;
                host: string;
                type: string;
                startMs: number;
                durationMs: number;
                bytes: number;
                missing: boolean;
                isThirdParty: boolean;
                attempt: {
                    traceId: string;
                    spanId: string;
                } | null;
            }[];
            moreResources: number;
            scriptErrors: {
                atMs: number;
                type: string;
                message: string;
                frames: components["schemas"]["StackFrame"][];
                isMapped: boolean;
            }[];
            attempt: {
                traceId: string;
                spanId: string;
            } | null;
        };
        PageLoadOf: {
            view: string | null;
        };
        SourceMaps: {
            maps: {
                component: string;
                version: string;
                file: string;
                uploadedMs: number;
                bytes: number;
            }[];
        };
        NewSourceMap: {
            component: string;
            version: string;
            file: string;
            map: {
                [key: string]: unknown;
            };
        };
        SourceMapKept: {
            component: string;
            version: string;
            file: string;
            bytes: number;
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
