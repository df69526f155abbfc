/** NIST SP 800-63B-4, 3.1.1.2, where it is the only factor; OWASP ASVS 4.0, 2.1.1 asks for 12. Characters. */
export const SHORTEST_PASSWORD = 15;
