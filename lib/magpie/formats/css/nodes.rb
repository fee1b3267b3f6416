module Magpie
  module Formats
    class Css < Format
      # The component values of a value, by Crass' tokens: what stands in brackets is in
      # :value of the function or block.
      module Nodes
        LONGEST = 20_000 # characters
        OPENING = {function: :")", "(": :")", "[": :"]"}.freeze
        # Crass raises ten to the power of it.
        EXPONENT = /(?<![#\w.])[+-]?[\d.]+[eE][+-]?0*[1-9]\d{2,}/

        module_function

        # @param text [String]
        # @return [Array<Hash>]
        # @raise [Magpie::Error]
        def of(text)
          raise Error, "a value of #{Text.thousands(text.size)} characters: expected #{Text.thousands(LONGEST)} at most" if text.size > LONGEST
          raise Error, "the number #{text[EXPONENT][0, 40]} is none" if text.match?(EXPONENT)
          # Crass counts characters one by one where there are others than ASCII.
          text = text.gsub(/[^\x00-\x7F]/) { |character| "\\#{character.ord.to_s(16)} " } unless text.ascii_only?
          tokens = Crass::Tokenizer.tokenize(text)
          Value.trimmed(inside(tokens, nil))
        end

        # Until the closing bracket, or the end. Blocks has seen that they are not too deep.
        def inside(tokens, closing)
          found = []
          while (token = tokens.shift)
            return found if token[:node] == closing
            found << (OPENING[token[:node]] ? bracketed(token, tokens) : token)
          end
          found
        end

        def bracketed(token, tokens)
          {node: (token[:node] == :function) ? :function : :block, name: token[:value]&.dup&.force_encoding(Encoding::UTF_8), value: inside(tokens, OPENING.fetch(token[:node])), raw: token[:raw]}
        end
      end
    end
  end
end
