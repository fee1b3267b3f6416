require "strscan"

module Magpie
  # XML's comments. Its parser keeps all of one for each "--" in it, which takes it minutes
  # where there are thousands; none may be there (XML 1.0, 2.5).
  module Text
    module_function

    # @param text [String]
    # @return [Integer, nil] the line of the first "--" in a comment
    def broken_comment(text)
      scanner = StringScanner.new(text)
      while scanner.skip_until(/<!--|<!\[CDATA\[/)
        comment = scanner.matched == "<!--"
        scanner.skip_until(comment ? /--/ : /\]\]>/) or return
        return text.byteslice(0, scanner.pos).count("\n") + 1 if comment && !scanner.skip(/>/)
      end
    end

    # @param text [String]
    # @return [String] with what comments hold gone, but for their line ends
    def without_comments(text)
      scanner, kept = StringScanner.new(text), +""
      while (before = scanner.scan_until(/<!--|<!\[CDATA\[/))
        kept << before
        comment = before.end_with?("--")
        held = scanner.scan_until(comment ? /-->/ : /\]\]>/) || scanner.rest.tap { scanner.terminate }
        kept << (comment ? "\n" * held.count("\n") + "-->" : held)
      end
      kept << scanner.rest
    end
  end
end
